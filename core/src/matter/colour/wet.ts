import type { Resin } from '../material/index.ts'
import { bodyMatter, bodyOf, matterOf, mixed, type Matter } from './matter.ts'
import { weightShares, type Dose } from '../mix/index.ts'

/** A resin that cures white is a clear straw while it is liquid (from memory). */
const liquidBody = (resin: Pick<Resin, 'body' | 'class'>) =>
  bodyOf(resin) === 'white' ? 'straw' : bodyOf(resin)

/**
 * What the tinted part looks like in its cup before the second part goes in: all the tint of the
 * mix in a share of its weight, so it looks darker than the cast will; a resin that cures white is
 * not white yet.
 *
 * @example wetMatter({ ...resin, ratio: { by: 'weight', a: 1, b: 1 } }, [{ material: violet, fraction: 0.001 }]).k[0] > 0 // true
 */
export function wetMatter(
  resin: Pick<Resin, 'body' | 'class' | 'ratio' | 'densityA' | 'densityB' | 'tintInto'>,
  tints: readonly Dose[],
): Matter {
  const { a, b } = weightShares(resin.ratio, resin)
  const share = resin.tintInto === 'A' ? a : b
  return mixed(
    bodyMatter({ ...resin, body: liquidBody(resin) }),
    tints.map(({ material, fraction }) => ({ matter: matterOf(material), dose: fraction / share })),
  )
}
