/** A pot with less than this left in it may be opened, Pa over the air outside. */
const openUnder = 5e3
/** At pressure from this share of what was wanted on. */
const nearly = 0.95
/** A gauge reads a little high before its pot is over its mark. */
const allowed = 1.01

/** Nothing is left that would throw the lid. `gauge` in Pa. @example canBeOpened(4000) // true */
export const canBeOpened = (gauge: number): boolean => gauge <= openUnder

/** It has come to the pressure it was meant to, Pa. @example isAtPressure(270e3, 280e3) // true */
export const isAtPressure = (gauge: number, wanted: number): boolean => gauge >= nearly * wanted

/** More than the pot is marked for, Pa. @example isOverMark(420e3, 414e3) // true */
export const isOverMark = (gauge: number, marked: number): boolean => gauge > allowed * marked
