import { existsSync } from 'node:fs'
import { join } from 'node:path'
import compression from 'compression'
import express, { type Express } from 'express'
import helmet from 'helmet'

/** Files with a hash in their name never change. */
const aYear = 365 * 24 * 3_600_000

/**
 * Serves the built app from a folder.
 *
 * @throws Error where the folder holds no built app
 */
export function createApp(dist: string): Express {
  const page = join(dist, 'index.html')
  if (!existsSync(page)) throw new Error(`${dist} holds no built app: run npm run build first`)

  const app = express()
  app.disable('x-powered-by')
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          baseUri: ["'none'"],
          connectSrc: ["'self'"],
          fontSrc: ["'self'"],
          formAction: ["'none'"],
          frameAncestors: ["'none'"],
          imgSrc: ["'self'", 'blob:', 'data:'],
          objectSrc: ["'none'"],
          scriptSrc: ["'self'"],
          // The two style elements that the charts put in; a style of any other content is refused.
          styleSrc: [
            "'self'",
            "'sha256-TBymqJXQvXKxe+z+3ydUYBErlkFFu110c5FjiVB8p+M='",
            "'sha256-aSysLrDECVdJ6L+jLf8CC5QKLmwRuk/OZiZk9mYky8A='",
          ],
          workerSrc: ["'self'"],
        },
      },
      frameguard: { action: 'deny' },
      // Served over plain http on the maker's own machine.
      strictTransportSecurity: false,
    }),
  )
  app.use(compression())
  app.get('/health', (_request, response) => {
    response.json({ status: 'ok' })
  })
  app.use(
    '/assets',
    express.static(join(dist, 'assets'), { immutable: true, maxAge: aYear, index: false }),
  )
  // A missing hashed file must not come back as the page.
  app.use('/assets', (_request, response) => {
    response.status(404).type('text/plain').send('No such file\n')
  })
  app.use(express.static(dist, { index: false, maxAge: 0 }))
  // Any other address is a page of the app's own router.
  app.get('/{*path}', (_request, response) => {
    response.set('Cache-Control', 'no-cache').sendFile(page)
  })
  return app
}
