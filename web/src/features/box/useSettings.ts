import type { Action } from '../../api/types'
import { useTools } from '../../layout/JobContext'
import { say } from '../../state/notices'

/** Puts settings in force: refused ones come back as the words for the field, or are said aloud where there is no field. */
export function useSettings() {
  const { act } = useTools()
  return {
    attempt: async (actions: Action[], ...fields: string[]) => {
      const problem = await act(actions)
      if (!problem) return undefined
      return fields.map((field) => problem.at(field)).find(Boolean) ?? problem.message
    },
    orSay: async (...actions: Action[]) => {
      const problem = await act(actions)
      if (problem) say(problem.message, 'problem')
      return !problem
    },
  }
}
