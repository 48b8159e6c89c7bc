/** A server as a script speaks to it. */
export interface Asked {
  /** Where its API is. */
  base: string
  epoch: string
}

interface Job {
  id: string
  state: string
  partSize?: number
  [more: string]: unknown
}

async function ask(
  { base, epoch }: Asked,
  method: string,
  path: string,
  body?: object,
): Promise<Job> {
  const raw = body instanceof Uint8Array || body instanceof Blob
  const response = await fetch(`${base}/backup/jobs${path}`, {
    method,
    headers: {
      'Mivro-Epoch': epoch,
      'content-type': raw ? 'application/octet-stream' : 'application/json',
    },
    body:
      body === undefined ? undefined : raw ? (body as RequestInit['body']) : JSON.stringify(body),
  })
  return (await response.json()) as Job
}

const going = new Set(['receiving', 'waiting', 'working'])

/** A job once it is over. */
export async function whenOver(server: Asked, id: string): Promise<Job> {
  for (;;) {
    const job = await ask(server, 'GET', `/${id}`)
    if (!going.has(job.state)) return job
    await new Promise((done) => setTimeout(done, 20))
  }
}

/** Has a backup packed, and answers where it is fetched. Throws what the job ran into. */
export async function packBackup(server: Asked, leaveOut = false): Promise<string> {
  const { id } = await ask(server, 'POST', '', { kind: 'backup', leaveOut })
  const job = await whenOver(server, id)
  if (job.state !== 'done') throw new Error(JSON.stringify(job))
  return `${server.base}/backup/jobs/${id}/mivro.zip`
}

/** A backup's bytes. */
export async function takeBackup(server: Asked, leaveOut = false): Promise<Uint8Array> {
  const file = await fetch(await packBackup(server, leaveOut))
  return new Uint8Array(await file.arrayBuffer())
}

/** Sends a backup in parts, and answers the job once it is over. */
export async function putBackup(server: Asked, bytes: Uint8Array | Blob): Promise<Job> {
  const size = bytes instanceof Blob ? bytes.size : bytes.length
  const { id, partSize } = await ask(server, 'POST', '', { kind: 'restore', bytes: size })
  for (let at = 0; at < size; at += partSize!)
    await ask(server, 'PUT', `/${id}/part?at=${at}`, bytes.slice(at, at + partSize!))
  return whenOver(server, id)
}
