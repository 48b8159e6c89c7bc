import { h } from 'vue'
import { ElButton, ElNotification } from 'element-plus'
import { offerDeletion } from './undo.ts'

/** Stays long enough to be read and reached without haste, ms. */
const shownFor = 20_000

/** Says that something was deleted, with the way back: the button, or Ctrl+Z. */
export function sayTakenOff(name: string, takeBack: () => void): void {
  const back = () => {
    withdraw()
    notice.close()
    takeBack()
  }
  const withdraw = offerDeletion(() => {
    notice.close()
    takeBack()
  })
  const notice = ElNotification({
    duration: shownFor,
    position: 'bottom-right',
    customClass: 'deleted',
    message: h('span', { role: 'status' }, [
      `${name} was deleted. `,
      h(ElButton, { size: 'small', onClick: back }, () => 'Undo'),
    ]),
  })
}
