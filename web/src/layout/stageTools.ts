import { useOutletContext } from 'react-router'

/** What a stage may open over itself; the frame has the sheets. */
export type StageTools = { addBox: () => void; showReach: () => void; showPaste: () => void }

export const useStageTools = () => useOutletContext<StageTools>()
