import { ofMethod } from '../ofMethod'

/** True for what is sprayed over a crown out of a tank, which several products may share. */
export const isFromTank = ofMethod('crown-spray')
