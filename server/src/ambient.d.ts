declare module 'knex/lib/dialects/better-sqlite3/index.js' {
  const dialect: unknown
  export default dialect
}
