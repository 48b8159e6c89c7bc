import { createRouter, createWebHistory } from 'vue-router'
import { reportFault } from './faults.ts'
import { routes } from './routes.ts'

export const router = createRouter({ history: createWebHistory(), routes })

router.onError(reportFault)
