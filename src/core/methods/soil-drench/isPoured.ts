import { ofMethod } from '../ofMethod'

/** True for what is poured round the trunk, out of a stock bottle where that is handy. */
export const isPoured = ofMethod('soil-drench')
