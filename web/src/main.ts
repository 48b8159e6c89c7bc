import '@fontsource-variable/bricolage-grotesque/wght.css'
import '@fontsource-variable/hanken-grotesk/wght.css'
import './theme/tokens.css'
import './theme/base.css'
import './theme/layout.css'
import './theme/element/buttons.css'
import './theme/element/fields.css'
import './theme/element/tables.css'
import './theme/element/popups.css'
import { viewsAt } from './app/routes.ts'
import { startEarly } from './work/startWorker.ts'

// All at once: the application, the view that the address names, and a worker.
startEarly()
void import('./app/start.ts')
for (const view of viewsAt(location.pathname)) void view()
