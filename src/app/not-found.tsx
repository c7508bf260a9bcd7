import { ButtonLink } from '@/ui/pieces/Button'

export default function NotFound() {
  return (
    <main className="max-w-lg mx-auto p-8">
      <h1>There is nothing here</h1>
      <p className="mt-2">The address leads to no page, or to something that is not your firm’s.</p>
      <ButtonLink href="/" now className="mt-4">
        Go to today
      </ButtonLink>
    </main>
  )
}
