/** Of this library what is used here; it comes without types. */
declare module 'jstat' {
  const jStat: {
    normal: { inv(p: number, mean: number, deviation: number): number };
    lognormal: { inv(p: number, mean: number, deviation: number): number };
    gamma: { inv(p: number, shape: number, scale: number): number };
    studentt: { inv(p: number, degrees: number): number };
    /** The regularised incomplete beta function. */
    ibeta(x: number, a: number, b: number): number;
    quantiles(values: number[], p: number[], alphap?: number, betap?: number): number[];
  };
  export default jStat;
}
