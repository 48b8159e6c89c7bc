import { Problem, type FileFault } from '../../../base/problem/index.ts'

export const broken3mf = (fault: FileFault, found?: string) =>
  new Problem('file-broken', { format: '3MF', fault, found })
