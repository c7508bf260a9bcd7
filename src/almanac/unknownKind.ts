/** The kind of a tree that was listed under a name nobody here knows: it is asked for at the tree, and nothing is put on before. */
export const UNKNOWN_KIND = 'unknown'
