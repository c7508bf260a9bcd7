/** The number of the newest migration this code comes with. A test holds it against the folder. */
export const NEWEST_MIGRATION = 54
