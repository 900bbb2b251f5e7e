import { expose } from 'comlink'
import { pictureRole } from './roles/picture'
import { planRole } from './roles/plan'
import { previewRole } from './roles/preview'
import { workingsRole } from './roles/workings'

/** What a worker may be: one script serves all of them, so that the core is fetched and kept once. */
const ROLES = { workings: workingsRole, plan: planRole, preview: previewRole, picture: pictureRole }
export type Role = keyof typeof ROLES

const role = ROLES[self.name as Role]
if (!role) throw new Error(`No worker is called “${self.name}”.`)
expose(role)
