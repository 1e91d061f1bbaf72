const settling = new Map<string, Promise<unknown>>();

/** Remembers that an order is being kept, so that nobody reads it as it was before. */
export function settle<T>(order: string, keeping: Promise<T>): Promise<T> {
  settling.set(order, keeping);
  const done = () => {
    if (settling.get(order) === keeping) settling.delete(order);
  };
  void keeping.then(done, done);
  return keeping;
}

/** When an order that is being kept is kept, or could not be. */
export const settled = (order: string) => settling.get(order)?.catch(() => undefined);
