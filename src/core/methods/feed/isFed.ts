import { ofMethod } from '../ofMethod'

/** True for what feeds the ground. */
export const isFed = ofMethod('feed')
