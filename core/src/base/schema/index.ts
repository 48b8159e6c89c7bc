import { z } from 'zod'

// Zod compiles parsers with `new Function` where it may, and probes for it when the first
// schema is made. Under a strict content security policy the probe alone is a violation, so
// every schema of core takes `z` from here.
z.config({ jitless: true })

export { z }
