/** What is used of it; it ships no types. */
declare module 'jstat' {
  interface Beta {
    /** The value under which a share p lies. */
    inv(p: number, a: number, b: number): number
    cdf(x: number, a: number, b: number): number
    pdf(x: number, a: number, b: number): number
  }
  const jStat: {
    beta: Beta
    studentt: { inv(p: number, freedom: number): number }
    normal: { cdf(x: number, mean: number, deviation: number): number }
  }
  export default jStat
}
