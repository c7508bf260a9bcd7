import { v7 as uuidv7 } from 'uuid'

/** An id made on the device, so that a repeated send is recognised. */
export function newId(): string {
  return uuidv7()
}
