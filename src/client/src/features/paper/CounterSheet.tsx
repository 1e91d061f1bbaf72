import { Ruler, rulerLong } from "./Ruler";

/** Where what is on a sheet begins, below its title, in mm. */
export const head = 24;

/** Kept free below it, for the ruler. */
export const tail = 20;

/** A page for the counter, drawn in mm: its title, what to do with it, and a ruler that shows whether the printer keeps to size. */
export function CounterSheet(props: {
  paper: string;
  wide: number;
  deep: number;
  margin: number;
  title: string;
  says: string;
  testId: string;
  children: React.ReactNode;
}) {
  const { wide, deep, margin } = props;
  return (
    <div className={`paper ${props.paper} shadow-lg print:shadow-none`} data-testid={props.testId}>
      <svg
        role="img"
        aria-label={`${props.title}. ${props.says}`}
        viewBox={`0 0 ${wide} ${deep}`}
        className="size-full"
        fill="#2b1810"
      >
        <text x={margin} y="12" fontSize="5.5" fontWeight="bold">
          {props.title}
        </text>
        <text x={margin} y="18" fontSize="3.6">
          {props.says}
        </text>
        {props.children}
        <Ruler x={(wide - rulerLong) / 2} y={deep - 11} />
      </svg>
    </div>
  );
}
