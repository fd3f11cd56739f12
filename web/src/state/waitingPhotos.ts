import { onlineManager, type QueryClient } from '@tanstack/react-query'
import { createStore, del, entries, set } from 'idb-keyval'
import { create } from 'zustand'
import { ApiProblem } from '../api/client'
import { addPhoto, photos } from '../api/queries'
import { say } from './notices'
import { serverIsAway } from './server'

type Waiting = { id: string; job: string; subject: string; picture: Blob }

const place = createStore('altrin-photos', 'waiting')

/** Pictures that the laptop does not have yet; kept on this device until it has. */
export const useWaitingPhotos = create<{ list: Waiting[] }>(() => ({ list: [] }))

const keep = (list: Waiting[]) => useWaitingPhotos.setState({ list })
const without = (id: string) => keep(useWaitingPhotos.getState().list.filter((one) => one.id !== id))

/** Keeps a picture and hands it in as soon as the laptop answers. */
export async function handInPhoto(queries: QueryClient, job: string, subject: string, picture: Blob) {
  const one = { id: crypto.randomUUID(), job, subject, picture }
  keep([...useWaitingPhotos.getState().list, one])
  // Where nothing may be kept on the device it waits in the page.
  await set(one.id, one, place).catch(() => undefined)
  await handInAll(queries)
}

let isUnderWay = false

async function handInAll(queries: QueryClient) {
  if (isUnderWay || !onlineManager.isOnline()) return
  isUnderWay = true
  try {
    for (let one = useWaitingPhotos.getState().list[0]; one; one = useWaitingPhotos.getState().list[0]) {
      try {
        await addPhoto(one.job, one.subject, one.picture)
      } catch (error) {
        if (error instanceof ApiProblem && error.isNoAnswer) {
          serverIsAway()
          return
        }
        say(`A picture was not taken: ${(error as Error).message}`, 'problem')
      }
      without(one.id)
      await del(one.id, place).catch(() => undefined)
      await queries.invalidateQueries({ queryKey: photos(one.job).queryKey })
    }
  } finally {
    isUnderWay = false
  }
}

/** Takes up what an earlier page had left, and goes on whenever the laptop is back. */
export async function keepPhotos(queries: QueryClient) {
  const left = await entries<string, Waiting>(place).catch(() => [])
  keep([...left.map(([, one]) => one), ...useWaitingPhotos.getState().list])
  onlineManager.subscribe(() => void handInAll(queries))
  await handInAll(queries)
}
