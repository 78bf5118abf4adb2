/**
 * Sends jobs to a slow worker so that the latest wins: while one is under way only the newest waits, those in between are
 * dropped. Results come in the order of their jobs.
 */
export function latestWins<Job, Answer>(
  work: (job: Job) => Promise<Answer>,
  onAnswer: (answer: Answer, job: Job, isLatest: boolean) => void,
): (job: Job) => void {
  let waiting: { job: Job } | undefined
  let isBusy = false

  const start = async (job: Job): Promise<void> => {
    isBusy = true
    const answer = await work(job)
    isBusy = false
    const next = waiting
    waiting = undefined
    onAnswer(answer, job, next === undefined)
    if (next !== undefined) void start(next.job)
  }
  return (job) => {
    if (isBusy) waiting = { job }
    else void start(job)
  }
}
