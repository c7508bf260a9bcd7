/** How many presses are still on this device. It comes and goes with every press: it takes no room, so that nothing moves under the finger. */
export function OnThisDevice({ presses, outOfReach }: { presses: number; outOfReach: boolean }) {
  return (
    <p
      aria-live="polite"
      className="no-print fixed z-40 right-3 bottom-[76px] sm:bottom-3 pointer-events-none"
    >
      {presses > 0 && (
        <span className="tag tag-straw">
          {presses === 1 ? '1 press' : `${presses} presses`} on this device,{' '}
          {outOfReach ? 'not sent yet: no signal' : 'going out'}
        </span>
      )}
    </p>
  )
}
