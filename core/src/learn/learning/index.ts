export * from './spread.ts'
export * from './hands.ts'
export * from './felt.ts'
export * from './mouldLife.ts'
