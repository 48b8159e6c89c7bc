export * from './piece.ts'
export * from './readForm.ts'
