import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";
import { catalogue } from "./catalogue.ts";
import { packed } from "./packed.ts";

// Kept in the browser, so that the page opens where there is no network: what it is made of, and nothing that the server says.
const offline = VitePWA({
  registerType: "autoUpdate",
  injectRegister: false,
  manifest: {
    name: "Kondiba",
    short_name: "Kondiba",
    description: "Dipped treats, measured and in time.",
    start_url: "/",
    display: "standalone",
    background_color: "#fbf8f2",
    theme_color: "#2b1810",
    icons: [{ src: "/kondiba.svg", sizes: "any", type: "image/svg+xml", purpose: "any" }],
  },
  workbox: {
    globPatterns: ["**/*.{js,css,html,woff2}"],
    inlineWorkboxRuntime: true,
    skipWaiting: true,
    clientsClaim: true,
    // A page comes from the server, with what it may have been upgraded to, and from the browser only when the server is away.
    navigateFallback: null,
    runtimeCaching: [
      {
        urlPattern: ({ request }) => request.mode === "navigate",
        handler: "NetworkOnly",
        options: { precacheFallback: { fallbackURL: "/index.html" } },
      },
    ],
  },
});

export default defineConfig({
  plugins: [
    catalogue("src/wording/en-GB.json"),
    react(),
    // Its own optimizer would settle light and dark once for the whole page; a part of one may be dark by itself.
    tailwindcss({ optimize: false }),
    packed(),
    offline,
  ],
  build: {
    cssTarget: ["chrome123", "firefox120", "safari17.5"],
    outDir: "../Kondiba.Web/wwwroot",
    emptyOutDir: true,
    chunkSizeWarningLimit: 700,
  },
  server: { proxy: { "/api": "http://127.0.0.1:5170", "/enter": "http://127.0.0.1:5170" } },
});
