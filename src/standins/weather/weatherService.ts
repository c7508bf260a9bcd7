import { weatherServer } from './service'
import type { Order } from './climate'

// The weather stand-in as a process of its own: PORT, HOST (loopback), ORDERS as a JSON list of ordered days.
const orders = JSON.parse(process.env.ORDERS ?? '[]') as Order[]
const server = weatherServer(orders)
server.listen(Number(process.env.PORT ?? 0), process.env.HOST ?? '127.0.0.1')
for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.on(signal, () => {
    server.close(() => process.exit(0))
    server.closeAllConnections()
  })
