import { CategoryScale, Chart, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js'
import annotation from 'chartjs-plugin-annotation'

Chart.register(CategoryScale, LinearScale, LineElement, PointElement, Tooltip, annotation)

/** How every chart speaks and draws its axes. */
export const chartFont = { family: "'Hanken Grotesk Variable', sans-serif", size: 12 }
export const chartInk = '#4a625f'
export const chartGrid = '#e6edea'

export const axisTitle = (text: string) => ({
  display: true,
  text,
  color: chartInk,
  font: chartFont,
})
