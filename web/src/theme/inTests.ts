import { readFileSync } from 'node:fs'
import { join } from 'node:path'

// Tests of the interface read the tokens as a page does: from its style sheet.
const sheet = document.createElement('style')
sheet.textContent = readFileSync(join(import.meta.dirname, 'tokens.css'), 'utf8')
document.head.append(sheet)
