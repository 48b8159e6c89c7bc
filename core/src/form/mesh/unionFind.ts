/** Sets of numbers from 0 that can be joined; paths are halved while they are walked. */
export class UnionFind {
  readonly parent: Uint32Array

  constructor(count: number) {
    this.parent = new Uint32Array(count)
    for (let i = 0; i < count; i++) this.parent[i] = i
  }

  root(of: number): number {
    const { parent } = this
    let at = of
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]]
      at = parent[at]
    }
    return at
  }

  join(a: number, b: number): void {
    const x = this.root(a)
    const y = this.root(b)
    if (x < y) this.parent[y] = x
    else this.parent[x] = y
  }
}
