import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { hearFaults, reportFault } from './faults.ts'
import { keepOnLeaving } from './leaving.ts'
import { router } from './router.ts'

hearFaults()
keepOnLeaving()
const app = createApp(App)
app.config.errorHandler = reportFault
app.use(createPinia()).use(router).mount('#app')
