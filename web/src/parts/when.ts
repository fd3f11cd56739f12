/** Day, month and time, as they stand beside what was done. */
export const when = (at: string) =>
  new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'long', hour: '2-digit', minute: '2-digit' })
