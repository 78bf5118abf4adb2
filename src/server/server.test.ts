import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from './app'
import { readListening } from './port'

const script = `console.log(${'1+'.repeat(2000)}1)`
let server: Server
let address: string
beforeAll(async () => {
  const dist = mkdtempSync(join(tmpdir(), 'glow-'))
  mkdirSync(join(dist, 'assets'))
  writeFileSync(join(dist, 'index.html'), '<!doctype html><title>Glow Tally</title>')
  writeFileSync(join(dist, 'assets', 'index-abc123.js'), script)
  writeFileSync(join(dist, 'assets', 'index-abc123.js.gz'), gzipSync(script))
  server = createServer(createApp(dist))
  await new Promise<void>((resolve) => server.listen(0, resolve))
  address = `http://localhost:${String((server.address() as AddressInfo).port)}`
})
afterAll(() => {
  server.close()
})

describe('the server', () => {
  it('gives the page at any address, with headers that keep strangers out', async () => {
    for (const path of ['/', '/plans', '/plan/x1/measure', '/sums/fuse']) {
      const response = await fetch(address + path)
      expect(response.status).toBe(200)
      expect(await response.text()).toContain('Glow Tally')
      const policy = response.headers.get('content-security-policy') ?? ''
      expect(policy).toContain("script-src 'self'")
      expect(policy).toContain("frame-ancestors 'none'")
      expect(policy).not.toContain('unsafe')
      expect(response.headers.get('x-frame-options')).toBe('DENY')
      expect(response.headers.get('x-content-type-options')).toBe('nosniff')
      expect(response.headers.get('cache-control')).toBe('no-cache')
      expect(response.headers.has('x-powered-by')).toBe(false)
    }
  })

  it('lets hashed files be kept for a year, compressed; a missing one is missing', async () => {
    for (const coding of ['gzip', 'identity']) {
      const response = await fetch(`${address}/assets/index-abc123.js`, {
        headers: { 'accept-encoding': coding },
      })
      expect(response.headers.get('cache-control')).toBe('public, max-age=31536000, immutable')
      expect(response.headers.get('content-type')).toMatch('text/javascript')
      expect(response.headers.get('content-encoding')).toBe(coding === 'gzip' ? 'gzip' : null)
      expect(await response.text()).toBe(script)
    }
    expect((await fetch(`${address}/assets/index-old.js`)).status).toBe(404)
  })

  it('has nothing at other addresses, and does not tell what it is made of', async () => {
    for (const path of ['/no/such/page', '/favicon.png', '/../package.json', '/plan/x/y/z']) {
      const response = await fetch(address + path)
      expect([path, response.status]).toEqual([path, 404])
      expect(response.headers.get('content-type')).toMatch('text/plain')
    }
    for (const path of ['/%', '/assets/%', '/plan/%ff/measure']) {
      const response = await fetch(address + path)
      expect([path, response.status]).toEqual([path, 400])
      expect(await response.text()).not.toMatch(/Error|node_modules|src\//)
    }
  })

  it('only hands out files', async () => {
    for (const method of ['POST', 'PUT', 'DELETE', 'OPTIONS']) {
      const response = await fetch(address, { method })
      expect([method, response.status]).toEqual([method, 405])
      expect(response.headers.get('allow')).toBe('GET, HEAD')
    }
    expect((await fetch(address, { method: 'HEAD' })).status).toBe(200)
  })

  it('tells that it is well', async () => {
    expect(await (await fetch(`${address}/health`)).json()).toEqual({ status: 'ok' })
  })

  it('does not start without a build', () => {
    expect(() => createApp('/nowhere')).toThrow('npm run build')
  })
})

it.each<[string | undefined, number | undefined]>([
  [undefined, 4174],
  ['', 4174],
  ['8080', 8080],
  ['0', undefined],
  ['04391', undefined],
  ['70000', undefined],
  ['80.5', undefined],
  ['http', undefined],
])('PORT=%s', (text, port) => {
  const read = readListening({ PORT: text })
  expect(read.ok ? read.port : undefined).toBe(port)
  if (!read.ok) expect(read.message).toContain(String(text))
})

it('listens on this machine alone unless told otherwise', () => {
  expect(readListening({})).toMatchObject({ hosts: ['127.0.0.1', '::1'] })
  expect(readListening({ HOST: '0.0.0.0' })).toMatchObject({ hosts: ['0.0.0.0'] })
  expect(readListening({ HOST: 'a b' })).toMatchObject({ ok: false })
})
