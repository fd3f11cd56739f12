import { type ReactNode, useContext, useMemo } from 'react'
import { DraftScope } from './useDraft'

/** A part of the page with fields of its own: what is typed in it is kept under its name. */
export function DraftPart({ name, about, children }: { name: string; about?: string; children: ReactNode }) {
  const outer = useContext(DraftScope)
  const scope = useMemo(
    () => ({ place: `${outer.place}/${name}`, about: about ?? outer.about }),
    [outer.place, outer.about, name, about],
  )
  return <DraftScope.Provider value={scope}>{children}</DraftScope.Provider>
}
