import type { AnyJob } from '../../../core/kinds'
import type { StoredJob } from '../../api/client'
import type { DocumentSession } from '../../notebook/notebook'

/** A job that is open: as the server has it, and the notebook it is edited in. */
export interface OpenJob {
  stored: StoredJob
  notebook: DocumentSession<AnyJob>
}
