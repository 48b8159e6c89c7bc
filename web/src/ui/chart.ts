import {
  CategoryScale,
  Chart,
  Filler,
  Legend,
  LinearScale,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js'
import annotation from 'chartjs-plugin-annotation'
import { token } from '../theme/token.ts'

Chart.register(
  CategoryScale,
  LinearScale,
  LineElement,
  PointElement,
  Filler,
  Legend,
  Tooltip,
  annotation,
)

export const chartFont = { family: "'Hanken Grotesk Variable', sans-serif", size: 12 }

/** How every chart speaks and draws its axes. */
Object.assign(Chart.defaults, {
  color: token('ink-2'),
  borderColor: token('line-2'),
  responsive: true,
  maintainAspectRatio: false,
  animation: false,
})
Object.assign(Chart.defaults.font, chartFont)
Object.assign(Chart.defaults.plugins.legend, { align: 'start', onClick: () => {} })
Object.assign(Chart.defaults.plugins.legend.labels, {
  usePointStyle: true,
  pointStyleWidth: 22,
  boxHeight: 6,
})

export const axisTitle = (text: string) => ({ display: true, text })
