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
app.use(createPinia()).use(router)
// In a task of its own: reading the program and drawing the frame together hold the page up for long.
setTimeout(() => app.mount('#app'))
