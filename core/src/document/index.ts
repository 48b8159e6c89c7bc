export * from './field.ts'
export * from './read.ts'
export * from './timeline.ts'
export * from './same.ts'
