import { PhoneSheet } from '../views/jobs/PhoneSheet'
import { useJob } from './JobContext'

/** The phone begins where the laptop is. */
export const JobPhone = ({ onClose }: { onClose: () => void }) => (
  <PhoneSheet job={useJob().job.id} onClose={onClose} />
)
