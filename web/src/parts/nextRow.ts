/** As in a sheet of figures: to the same place of the row below. Where there is none the focus stays. */
export function nextRow(from: HTMLElement) {
  const row = from.closest('li')
  const fields = (of: Element | null | undefined) => [
    ...(of?.querySelectorAll<HTMLElement>('input:not([type=checkbox]), select') ?? []),
  ]
  const to = fields(row?.nextElementSibling)[fields(row).indexOf(from)]
  if (to) to.focus()
  else from.blur()
}
