/** One click that takes away what is cautioned. */
export interface Fix {
  words: string
  take: () => unknown
}
