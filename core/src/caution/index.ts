export * from './codes.ts'
export * from './cautionSentences.ts'
export * from './problemSentences.ts'
export * from './safety.ts'
