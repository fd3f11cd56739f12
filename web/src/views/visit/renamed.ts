import type { Action, Proposal } from '../../api/types'

/** What takes a proposal in, a new thing under the name that it was given here. */
export const renamed = (proposal: Proposal, name?: string): Action[] =>
  proposal.actions.map((action) =>
    action.do === 'add-endpoint' && name?.trim()
      ? { ...action, endpoint: { ...action.endpoint, name: name.trim() } }
      : action,
  )
