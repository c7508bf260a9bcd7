/** Across every sheet of paper of what nobody has signed; on the screen it is not there. */
export function NotSigned() {
  return (
    <p className="not-signed" data-not-signed>
      NOT SIGNED
    </p>
  )
}
