import { lazy, Suspense, type ComponentType, type ReactNode } from "react";

/** A part of a page that is fetched when it is first shown. */
export function later<Name extends string, Props extends object>(
  load: () => Promise<Record<Name, ComponentType<Props>>>,
  name: Name,
  meanwhile: ReactNode = null,
): ComponentType<Props> {
  const Part = lazy(async () => ({ default: (await load())[name] as ComponentType<object> }));
  return function Later(props: Props) {
    return (
      <Suspense fallback={meanwhile}>
        <Part {...props} />
      </Suspense>
    );
  };
}
