import { Problem } from '../../problem/index.ts'

export const broken3mf = (reason: string) => new Problem('file-broken', { format: '3MF', reason })
