/** How a button looks that a knuckle finds. */
export const big = "border-line min-h-16 rounded-3xl border-[3px] font-bold disabled:opacity-50";
