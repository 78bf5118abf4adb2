const defaultPort = 4174

export type PortResult =
  { readonly ok: true; readonly port: number } | { readonly ok: false; readonly message: string }

/** The port to serve on: that of the environment, or the default. */
export function readPort(text: string | undefined): PortResult {
  if (text === undefined || text === '') return { ok: true, port: defaultPort }
  const port = Number(text)
  return /^\d+$/.test(text) && port >= 1 && port <= 65_535
    ? { ok: true, port }
    : { ok: false, message: `PORT is “${text}”: a whole number from 1 to 65535 is expected` }
}
