import type { Action, House } from '../api/types'
import { useJob, useTools } from './JobContext'

/** Writes down what the house is like: country, walls, rooms, runs, neighbours. What is not named stays. */
export function useDescribe() {
  const { house } = useJob()
  const { act } = useTools()
  const now = house.document
  return async (change: Partial<House>, ...fields: string[]): Promise<string | undefined> => {
    const deed = {
      do: 'describe-house',
      name: now.name,
      country: now.country,
      building: now.building,
      rooms: now.rooms ?? [],
      runs: now.runs ?? [],
      neighbours: now.neighbours ?? [],
      ...change,
    } as unknown as Action
    const problem = await act([deed])
    if (!problem) return undefined
    return fields.map((field) => problem.at(field)).find(Boolean) ?? problem.message
  }
}
