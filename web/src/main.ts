import { createPinia } from 'pinia'
import { createApp } from 'vue'
import '@fontsource-variable/bricolage-grotesque/wght.css'
import '@fontsource-variable/hanken-grotesk/wght.css'
import './theme/tokens.css'
import './theme/base.css'
import './theme/layout.css'
import './theme/element/buttons.css'
import './theme/element/fields.css'
import './theme/element/tables.css'
import './theme/element/popups.css'
import App from './app/App.vue'
import { hearFaults, reportFault } from './app/faults.ts'
import { keepOnLeaving } from './app/leaving.ts'
import { router } from './app/router.ts'

hearFaults()
keepOnLeaving()
const app = createApp(App)
app.config.errorHandler = reportFault
app.use(createPinia()).use(router).mount('#app')
