export * from './inspect.ts'
export * from './strip.ts'
