/**
 * A function of objects that are never changed in place, worked out once for each of them and forgotten with it.
 * @param work what is given back must not be changed either
 */
export function once<Of extends object, Found>(work: (of: Of) => Found): (of: Of) => Found {
  const known = new WeakMap<Of, { found: Found }>();
  return (of) => {
    let entry = known.get(of);
    if (!entry) known.set(of, (entry = { found: work(of) }));
    return entry.found;
  };
}
