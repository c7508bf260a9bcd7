import { ofMethod } from '../ofMethod'

/** True for a guard of mesh, which is cut from a roll. */
export const isOfMesh = ofMethod('guard')
