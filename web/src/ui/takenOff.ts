import { h } from 'vue'
import { ElMessage } from 'element-plus'

/** Says that something was taken off, with the way back. */
export function sayTakenOff(name: string, takeBack: () => void): void {
  const message = ElMessage({
    duration: 8000,
    message: h('span', [
      `${name} was taken off. `,
      h(
        'button',
        {
          class: 'take-back',
          onClick: () => {
            message.close()
            takeBack()
          },
        },
        'Take it back',
      ),
    ]),
  })
}
