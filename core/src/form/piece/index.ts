export * from './measured.ts'
export * from './piece.ts'
export * from './readForm.ts'
