/** The name this page gives itself: what it has changed it need not be told. */
export const pageName = `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 8)}`

/** A phone, or another that has joined, calls the laptop at its address; the laptop calls itself. */
export const isGuest = window.location.protocol === 'https:'
