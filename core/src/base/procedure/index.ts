export * from './order.ts'
