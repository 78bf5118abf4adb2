const defaultPort = 4174

export type Listening =
  | { readonly ok: true; readonly port: number; readonly hosts: readonly string[] }
  | { readonly ok: false; readonly message: string }

/** This machine alone, by either of its addresses. */
const thisMachine = ['127.0.0.1', '::1']

/**
 * Where to listen: on the port of the environment or the default, and on this machine alone unless HOST names another address (`0.0.0.0`
 * for all).
 */
export function readListening({
  PORT: port = '',
  HOST: host = '',
}: Readonly<Record<string, string | undefined>>): Listening {
  if (port !== '' && !(/^[1-9]\d{0,4}$/.test(port) && Number(port) <= 65_535))
    return { ok: false, message: `PORT is “${port}”: a whole number from 1 to 65535 is expected` }
  if (host !== '' && !/^[\w.:-]{1,253}$/.test(host))
    return { ok: false, message: `HOST is “${host}”: a name or an address is expected` }
  const hosts = host === '' || host === 'localhost' ? thisMachine : [host]
  return { ok: true, port: port === '' ? defaultPort : Number(port), hosts }
}
