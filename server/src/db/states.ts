/**
 * What is being done with a store's file. `making`: a new one, beside its place. `migrating`: it is
 * opened and brought up to date. `open`: requests are served. `swapping`: another takes its place.
 */
export type StoreState = 'closed' | 'making' | 'migrating' | 'open' | 'swapping'

const next: Record<StoreState, readonly StoreState[]> = {
  closed: ['making', 'migrating'],
  making: ['migrating', 'closed'],
  migrating: ['open', 'closed'],
  open: ['swapping', 'closed'],
  swapping: ['migrating'],
}

/** The one owner of a store's file goes from state to state, and says so at each. */
export class StoreStates {
  private now: StoreState = 'closed'

  constructor(private readonly heard: (state: StoreState) => void = () => {}) {}

  get current(): StoreState {
    return this.now
  }

  become(state: StoreState): void {
    if (!next[this.now].includes(state))
      throw new Error(`a store goes from ${this.now} to ${state}`)
    this.now = state
    this.heard(state)
  }
}
