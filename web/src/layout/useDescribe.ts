import type { Action, House } from '../api/types'
import { useJob, useTools } from './JobContext'

/** The deed that writes down what the house is like; what is not named stays. */
export const describing = (now: House, change: Partial<House>): Action =>
  ({
    do: 'describe-house',
    name: now.name,
    country: now.country,
    building: now.building,
    rooms: now.rooms ?? [],
    runs: now.runs ?? [],
    neighbours: now.neighbours ?? [],
    ...change,
  }) as unknown as Action

/** Writes down what the house is like: country, walls, rooms, runs, neighbours. What is not named stays. */
export function useDescribe() {
  const { house } = useJob()
  const { act } = useTools()
  const now = house.document
  return async (change: Partial<House>, ...fields: string[]): Promise<string | undefined> => {
    const problem = await act([describing(now, change)])
    if (!problem) return undefined
    return fields.map((field) => problem.at(field)).find(Boolean) ?? problem.message
  }
}
