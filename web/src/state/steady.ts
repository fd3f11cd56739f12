/** For so long what came under the pointer by itself takes no press: nobody saw it yet. In milliseconds. */
export const unseenFor = 500

/** So far a hand trembles between the two presses of a double click, in pixels. */
const tremble = 4

const pressables = 'button, a[href], summary, [role=button], [role=tab], [role=option], [role=menuitem]'

type Point = { clientX: number; clientY: number }

/**
 * Tells a press that was meant for what stood there from one that met what came in between: the second half of a double click on a fix must not do the
 * next finding's. Knows the pointer's place, what lay under it, and when something else came there though the pointer stood still.
 */
export class Steady {
  private at: Point = { clientX: -1, clientY: -1 }
  private under: Element | null = null
  private cameAt = Number.NEGATIVE_INFINITY
  private pressed: { what: Element | null; at: Point; when: number; byKey: boolean } | null = null

  constructor(private readonly now: () => number) {}

  /** The pointer is over something: moved there by hand, or the page moved under it. */
  over(what: Element | null, at: Point) {
    if (what === this.under) return
    this.under = what
    this.cameAt = near(at, this.at, 0) ? this.now() : Number.NEGATIVE_INFINITY
  }

  moved(at: Point) {
    if (!near(at, this.at, 0)) this.cameAt = Number.NEGATIVE_INFINITY
    // Who went away and comes back means what is there now.
    if (this.pressed && !this.pressed.byKey && !near(at, this.pressed.at, tremble)) this.pressed = null
    this.at = { clientX: at.clientX, clientY: at.clientY }
  }

  /** Whether a press by the pointer counts. */
  takes(what: Element | null, at: Point): boolean {
    const isUnseen = what === this.under && this.now() - this.cameAt < unseenFor
    const last = this.pressed
    const isSecondHalf =
      last !== null &&
      !last.byKey &&
      last.what !== what &&
      this.now() - last.when < unseenFor &&
      near(at, last.at, tremble)
    if (isUnseen || isSecondHalf) return false
    this.pressed = { what, at: { clientX: at.clientX, clientY: at.clientY }, when: this.now(), byKey: false }
    return true
  }

  /** The hand went on by key: what has the focus now is what it chose. */
  wentOn() {
    if (this.pressed?.byKey) this.pressed = null
  }

  /** Whether a press by key counts. */
  takesKey(what: Element | null): boolean {
    const last = this.pressed
    if (last?.byKey && last.what !== what && this.now() - last.when < unseenFor) return false
    this.pressed = { what, at: this.at, when: this.now(), byKey: true }
    return true
  }
}

const near = (a: Point, b: Point, by: number) =>
  Math.abs(a.clientX - b.clientX) <= by && Math.abs(a.clientY - b.clientY) <= by

const pressable = (target: EventTarget | null) =>
  target instanceof Element ? target.closest(pressables) : null

/** Watches over the whole page: a press that does not count reaches nothing on it. */
export function keepSteady(page: Document, now: () => number = () => performance.now()) {
  const steady = new Steady(now)
  const swallow = (event: Event) => {
    event.preventDefault()
    event.stopImmediatePropagation()
  }
  page.addEventListener('pointerover', (event) => steady.over(pressable(event.target), event), true)
  page.addEventListener('pointermove', (event) => steady.moved(event), true)
  page.addEventListener(
    'click',
    (event) => {
      const what = pressable(event.target)
      // A press by key comes as a click without a count, and was judged as a key.
      if (!event.isTrusted || event.detail === 0 || !what) return
      if (!steady.takes(what, event)) swallow(event)
    },
    true,
  )
  page.addEventListener(
    'keydown',
    (event) => {
      if (event.key !== 'Enter' && event.key !== ' ') steady.wentOn()
      else if (event.isTrusted && !event.repeat && page.activeElement && pressable(page.activeElement)) {
        if (!steady.takesKey(pressable(page.activeElement))) swallow(event)
      }
    },
    true,
  )
}
