/** Why something was refused that has no single input to be told beside: a list, a group of boxes. */
export function Refusal({ words }: { words: string | null }) {
  return (
    words && (
      <p role="alert" className="text-plum text-small font-semibold">
        {words}
      </p>
    )
  )
}
