import { ofMethod } from '../ofMethod'

/** True for the line that parts joined roots. */
export const partsRoots = ofMethod('barrier')
