/** How a field looks that is to be typed into. */
export const fieldBox =
  "border-edge bg-ground focus:border-act w-full rounded-md border px-2.5 py-1.5 aria-invalid:border-mind";
