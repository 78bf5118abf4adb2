import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import compression from 'compression'
import expressStaticGzip from 'express-static-gzip'
import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express'
import helmet from 'helmet'

/** Files with a hash in their name never change. */
const aYear = 365 * 24 * 3_600_000

/**
 * Serves the built app from a folder.
 *
 * @param opensWith what a first visit finds: an empty plan, or the demo plans
 * @throws Error where the folder holds no built app
 */
export function createApp(dist: string, opensWith: 'empty' | 'examples' = 'empty'): Express {
  const pageFile = join(dist, 'index.html')
  if (!existsSync(pageFile)) throw new Error(`${dist} holds no built app: run npm run build first`)
  /** Read anew each time: a build may have come in between. */
  const page = (): string =>
    readFileSync(pageFile, 'utf8').replace(
      /(<meta name="first-visit" content=")\w+"/,
      `$1${opensWith}"`,
    )

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
  app.use(onlyReads, onlyReadable)
  app.get('/health', (_request, response) => {
    response.json({ status: 'ok' })
  })
  app.use(
    '/assets',
    // As the build has compressed them.
    expressStaticGzip(join(dist, 'assets'), {
      index: false,
      serveStatic: { immutable: true, maxAge: aYear },
    }),
  )
  // A missing hashed file must not come back as the page.
  app.use('/assets', (_request, response) => {
    response.status(404).type('text/plain').send('No such file\n')
  })
  app.use(compression())
  app.get(pagePaths, (_request, response) => {
    response.set('Cache-Control', 'no-cache').type('html').send(page())
  })
  app.use(express.static(dist, { index: false, maxAge: 0 }))
  app.use((_request, response) => {
    response.status(404).type('text/plain').send('There is nothing here. The plans are at /\n')
  })
  app.use(answerError)
  return app
}

/** Addresses that the app's own router knows. */
const pagePaths = [
  '/',
  // What is kept for use without network.
  '/index.html',
  '/plans',
  '/shared',
  '/sums',
  '/sums/:name',
  '/trouble',
  '/plan/:id',
  '/plan/:id/:stage',
]

/** Nothing here is changed by a request. */
const allowed = new Set(['GET', 'HEAD'])

const onlyReads: RequestHandler = (request, response, next) => {
  if (allowed.has(request.method)) {
    next()
    return
  }
  response
    .status(405)
    .set('Allow', [...allowed].join(', '))
    .type('text/plain')
    .send(`${request.method} is not allowed: this server only hands out files\n`)
}

/** An address with a `%` that stands for nothing. */
const onlyReadable: RequestHandler = (request, response, next) => {
  try {
    decodeURIComponent(request.path)
    next()
  } catch {
    response.status(400).type('text/plain').send('This address cannot be read\n')
  }
}

/** What a request asks that cannot be read, or a file that cannot be sent: without the insides of the server. */
const answerError: ErrorRequestHandler = (error: unknown, _request, response, next) => {
  if (response.headersSent) {
    next(error)
    return
  }
  const given =
    typeof error === 'object' && error !== null && 'status' in error ? error.status : 500
  const status = typeof given === 'number' && given >= 400 && given < 600 ? given : 500
  response
    .status(status)
    .type('text/plain')
    .send(status < 500 ? 'This address cannot be read\n' : 'The server could not answer\n')
}
