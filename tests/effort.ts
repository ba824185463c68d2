import fc from 'fast-check'

/**
 * How much a run of the tests does. `npm test` takes a sample of everything that is drawn by
 * chance, the same on every machine; `npm run test:long` takes all of it, from a seed that changes
 * and is told, so that it can be given again as ARCH_SEED.
 */
export const LONG = process.env.ARCH_EFFORT === 'long'
export const SEED = Number(process.env.ARCH_SEED ?? 1)

fc.configureGlobal({ seed: SEED })

/** So many runs: a sample, or all. */
export const runs = (all: number, sample = Math.ceil(all / 5)): number => (LONG ? all : sample)
