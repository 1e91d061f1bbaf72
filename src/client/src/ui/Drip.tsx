/** The drip edge under the cocoa band: uneven runs, repeated so that it never stretches. */
export function Drip({ tall = false }: { tall?: boolean }) {
  return (
    <svg
      aria-hidden
      className={`text-cocoa block w-full ${tall ? "h-16" : "h-5"}`}
      preserveAspectRatio="xMinYMin slice"
    >
      <defs>
        <pattern id="drip" width="640" height="64" patternUnits="userSpaceOnUse">
          <path
            fill="currentColor"
            d="M0 0H640V2C634 3 630 17 622 17S611 3 602 3C588 3 582 9 572 9S556 2 540 3C524 4 522 15 513 15S503 4 492 3C474 2 470 7 455 7S438 2 424 3C414 4 411 20 403 20S393 5 384 3C368 1 362 8 350 8S330 2 316 3C303 4 300 13 292 13S282 4 270 3C252 1 246 6 232 6S214 2 200 3C191 4 188 18 180 18S170 4 160 3C146 1 140 7 128 7S110 2 98 3C88 4 85 14 77 14S67 4 58 3C44 1 40 6 30 6S14 3 0 2Z"
          />
        </pattern>
      </defs>
      <rect width="100%" height="64" fill="url(#drip)" />
    </svg>
  );
}
