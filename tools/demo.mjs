import { serve } from './serve.mjs'

// The demo studio has a store of its own and never touches the person's.
await serve(['--demo', '--database', 'data/demo.sqlite'])
