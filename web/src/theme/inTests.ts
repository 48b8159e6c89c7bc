import { readFileSync } from 'node:fs'
import { join } from 'node:path'

// A page is shared by the files of a process: each begins with an empty one.
document.body.innerHTML = ''
localStorage.clear()
// Tests of the interface read the tokens as a page does: from its style sheet.
const sheet = document.createElement('style')
sheet.textContent = readFileSync(join(import.meta.dirname, 'tokens.css'), 'utf8')
document.head.replaceChildren(sheet)
