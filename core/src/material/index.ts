export * from './classes.ts'
export * from './material.ts'
export * from './slips.ts'
