import { QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { queries } from "./api/queryClient";
import { App } from "./App";
import "./styles.css";

const root = document.getElementById("root");
if (root)
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <App />
      </QueryClientProvider>
    </StrictMode>,
  );

// After an upgrade a page may be asked for that the server has no more under its old name.
window.addEventListener("vite:preloadError", () => window.location.reload());

// What makes the page open without a network; fetched once the page has settled, so that it delays nothing.
const settled = 3_000;
if (import.meta.env.PROD && "serviceWorker" in navigator)
  setTimeout(() => void navigator.serviceWorker.register("/sw.js").catch(console.error), settled);
