import type { Issue } from './z'

/** What went wrong, of whatever was thrown. */
export const messageOf = (error: unknown): string =>
  error instanceof Error ? error.message : String(error)

/** An issue on one line: its path, where it has one, and what was expected. */
export const issueText = ({ path, message }: Issue): string =>
  path === '' ? message : `${path}: ${message}`
