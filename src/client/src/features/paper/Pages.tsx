/** Pages as they come out of the printer; on a small screen they are looked over sideways. */
export function Pages({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    // A region that scrolls is reached by keys too.
    <div
      role="region"
      aria-label={label}
      tabIndex={0} // eslint-disable-line jsx-a11y/no-noninteractive-tabindex
      className="min-w-0 space-y-6 overflow-x-auto print:space-y-0 print:overflow-visible"
    >
      {children}
    </div>
  );
}
