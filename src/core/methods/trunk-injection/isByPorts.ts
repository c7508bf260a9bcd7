import { ofMethod } from '../ofMethod'

/** True for what goes into the trunk by ports: it is run port by port, tree by tree, and counted back in. */
export const isByPorts = ofMethod('trunk-injection')
