/** The few functions of jstat that are used here. */
declare module "jstat" {
  type Inverse2 = { inv(p: number, a: number, b: number): number; cdf(x: number, a: number, b: number): number };
  const jstat: {
    studentt: { inv(p: number, df: number): number; cdf(x: number, df: number): number };
    beta: Inverse2;
    normal: { cdf(x: number, mean: number, sd: number): number };
  };
  export default jstat;
}
