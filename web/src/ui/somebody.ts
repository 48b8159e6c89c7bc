/** Somebody is at the page: what only makes it nicer is fetched no sooner, the first screen is light. */
export const somebody = new Promise<void>((here) => {
  for (const sign of ['pointermove', 'keydown', 'touchstart']) {
    addEventListener(sign, () => here(), { once: true, passive: true })
  }
})
