import { createPinia } from 'pinia'
import { createApp } from 'vue'
import '@fontsource-variable/bricolage-grotesque/wght.css'
import '@fontsource-variable/hanken-grotesk/wght.css'
import './app/theme.css'
import './app/element.css'
import App from './app/App.vue'
import { router } from './app/router.ts'

createApp(App).use(createPinia()).use(router).mount('#app')
