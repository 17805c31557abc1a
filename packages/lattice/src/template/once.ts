/** What is made when it is first asked for, and kept. */
export function once<Value>(make: () => Value): () => Value {
  let made: Value | undefined;
  return () => {
    made ??= make();
    return made;
  };
}
