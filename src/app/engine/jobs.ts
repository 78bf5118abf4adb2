import { releaseProxy, wrap, type Remote } from 'comlink'
import type { JobService } from './jobs.worker'

/** The worker for long jobs, while it runs. */
export interface Jobs {
  readonly worker: Worker
  /** Held as long as the worker: once a proxy is collected, its far end stops answering. */
  readonly service: Remote<JobService>
}

export function startJobs(): Jobs {
  const worker = new Worker(new URL('./jobs.worker.ts', import.meta.url), {
    type: 'module',
    name: 'jobs',
  })
  return { worker, service: wrap<JobService>(worker) }
}

export function endJobs({ worker, service }: Jobs): void {
  service[releaseProxy]()
  worker.terminate()
}
