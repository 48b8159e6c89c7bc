import fc from 'fast-check'

/*
 * Property tests draw the same cases in each run, so that a failure comes of what was changed.
 * Others by hand: MIVRO_SEED=7 npm test core
 */
fc.configureGlobal({ seed: Number(process.env.MIVRO_SEED ?? 1) })
