export * from './spread.ts'
export * from './hands.ts'
export * from './cureObservations.ts'
export * from './mouldLife.ts'
