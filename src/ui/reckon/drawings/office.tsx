import { Sketch, Word } from './pieces'

/** Lines by size, and the total they come to. */
export function PriceDrawing() {
  return (
    <Sketch says="Each line is its trunk by its size class, the hours and the gallons; discount comes off, travel and the least come on, tax on all of it.">
      <path d="M30,120V104H70V120Z" className="fill-moss" />
      <path d="M80,120V84H120V120Z" className="fill-moss" />
      <path d="M130,120V62H170V120Z" className="fill-moss" />
      <path
        d="M130,62V48H170V62Z"
        className="fill-transparent stroke-bark"
        strokeWidth="1.6"
        strokeDasharray="4 3"
      />
      <path d="M22,120H284" className="stroke-ink" strokeWidth="1.4" />
      <path d="M196,120V40H228V120Z" className="fill-transparent stroke-ink" strokeWidth="1.8" />
      <path d="M196,56H228M196,104H228" className="stroke-ink" strokeWidth="1" />
      <Word x={100} y={138} anchor="middle">
        lines, by size
      </Word>
      <Word x={212} y={138} anchor="middle">
        total
      </Word>
      <Word x={234} y={52}>
        tax
      </Word>
      <Word x={234} y={84}>
        sum, travel
      </Word>
      <Word x={150} y={42} anchor="middle">
        if needed
      </Word>
    </Sketch>
  )
}

/** Bottles in the order they are used up, and the measure a dose is poured by. */
export function LoadoutDrawing() {
  return (
    <Sketch says="A bottle that is open goes first, then the one that ends sooner; each dose is poured by the measure that shows it best.">
      <path d="M40,60H76V128H40ZM50,60V46H66V60" className="fill-transparent stroke-ink" strokeWidth="1.8" />
      <path d="M42,112H74V126H42Z" className="fill-moss" />
      <path
        d="M96,60H132V128H96ZM106,60V46H122V60Z"
        className="fill-transparent stroke-ink"
        strokeWidth="1.8"
      />
      <path d="M98,70H130V126H98Z" className="fill-moss" />
      <path d="M150,96H196M188,90L197,96L188,102" className="stroke-bark" strokeWidth="2" fill="none" />
      <path d="M214,40V130H250V40" className="fill-transparent stroke-ink" strokeWidth="1.8" />
      <path d="M216,86H248V128H216Z" className="fill-moss" />
      <path
        d="M214,56H224M214,72H224M214,88H224M214,104H224M214,118H224"
        className="stroke-ink"
        strokeWidth="1.2"
      />
      <Word x={58} y={146} anchor="middle">
        open first
      </Word>
      <Word x={122} y={146} anchor="middle">
        then this
      </Word>
      <Word x={232} y={146} anchor="middle">
        to a graduation
      </Word>
    </Sketch>
  )
}

/** What worked, between none and all, with how far it may be off. */
export function ResponseDrawing() {
  return (
    <Sketch says="What worked of what was tried lies somewhere in its interval; the fewer trees, the wider it is, and the nearer to what was believed before.">
      <path d="M36,126H284" className="stroke-ink" strokeWidth="1.4" />
      <path d="M180,30V126" className="stroke-ink2" strokeWidth="1.2" strokeDasharray="3 4" />
      <path d="M176,58H244M176,50V66M244,50V66" className="stroke-moss" strokeWidth="2.4" fill="none" />
      <circle cx="212" cy="58" r="5" className="fill-moss" />
      <path d="M96,96H262M96,88V104M262,88V104" className="stroke-bark" strokeWidth="2.4" fill="none" />
      <circle cx="198" cy="96" r="5" className="fill-bark" />
      <Word x={40} y={62}>
        many trees
      </Word>
      <Word x={40} y={100}>
        few
      </Word>
      <Word x={180} y={24} anchor="middle">
        believed before
      </Word>
      <Word x={36} y={144}>
        none works
      </Word>
      <Word x={284} y={144} anchor="end">
        all work
      </Word>
    </Sketch>
  )
}
