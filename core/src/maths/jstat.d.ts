/** The part of jStat that is used; it ships no types of its own. */
declare module 'jstat' {
  interface Distribution<Parameters extends readonly number[]> {
    inv(p: number, ...parameters: Parameters): number;
    cdf(x: number, ...parameters: Parameters): number;
  }
  const jstat: {
    normal: Distribution<[mean: number, deviation: number]>;
    chisquare: Distribution<[freedom: number]>;
    studentt: Distribution<[freedom: number]>;
    centralF: Distribution<[freedomAbove: number, freedomBelow: number]>;
  };
  export default jstat;
}
