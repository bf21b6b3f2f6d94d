import type { RequestHandler } from 'express'
import helmet from 'helmet'
import { HttpError } from './errors.ts'

/** Headers that keep the page to itself: no inline script, no framing, no other origin. */
export const safeHeaders = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'"],
      // The component library writes its theme into style elements at run time.
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      fontSrc: ["'self'"],
      connectSrc: ["'self'"],
      workerSrc: ["'self'", 'blob:'],
      objectSrc: ["'none'"],
      baseUri: ["'none'"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
    },
  },
  strictTransportSecurity: false,
  crossOriginEmbedderPolicy: false,
})

const loopback = ['127.0.0.1', 'localhost', '[::1]']

/**
 * Rejects cross-site requests. Without a login, being on this machine is enough to read and write, so
 * a page from elsewhere must not send requests through the fitter's browser: the Host must be one of
 * ours (against DNS rebinding), and a foreign Origin is refused.
 */
export function sameMachine(extraHosts: readonly string[] = []): RequestHandler {
  const allowed = new Set([...loopback, ...extraHosts])
  return (request, _response, next) => {
    const host = (request.headers.host ?? '').replace(/:\d+$/, '')
    if (!allowed.has(host))
      return next(new HttpError(403, 'wrong-host', 'This address is not served here. Open the address that the start command printed.'))
    const origin = request.headers.origin
    if (origin !== undefined && origin.replace(/^https?:\/\//, '') !== request.headers.host) {
      return next(new HttpError(403, 'wrong-origin', 'Requests from other sites are refused.'))
    }
    next()
  }
}
