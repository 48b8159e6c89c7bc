import { bumpyBall } from './bumpyBall.ts'
import { findSeam } from '../core/src/mould/seam/index.ts'
import { cavityOf } from '../core/src/form/mesh/index.ts'
const f = cavityOf(bumpyBall(200_000))
for (let i = 0; i < 4; i++) {
  const a = performance.now()
  findSeam(f.mesh, { up: [0, 0, 1], front: [0, -1, 0] })
  console.log((performance.now() - a).toFixed(0))
}
