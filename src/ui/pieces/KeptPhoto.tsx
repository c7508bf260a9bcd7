/** A kept picture, small, that opens whole beside the page. It is served as it is. */
export function KeptPhoto({ id, alt }: { id: string; alt: string }) {
  return (
    <a href={`/api/photos/${id}`} target="_blank" rel="noreferrer">
      <img
        src={`/api/photos/${id}`}
        alt={alt}
        loading="lazy"
        className="w-full h-28 object-cover border border-line bg-line2"
      />
    </a>
  )
}
