import { readFileSync } from 'node:fs'
import { parser } from 'typescript-eslint'
import ts from 'typescript'

/**
 * A parser for ESLint that reads the scripts of .vue files with their types, all out of one program.
 * The usual way makes a program anew for each .vue file, since what stands in it is no TypeScript, and that took most of the time of lint.
 */
const configFile = 'tsconfig.app.json'
const script = /<script[^>]*>(.*?)<\/script>/s
/** Scripts that begin otherwise than their file says: those of generic components have their types before them. */
const given = new Map()
let program

const fail = ({ messageText }) => {
  throw new Error(ts.flattenDiagnosticMessageText(messageText, ' '))
}

/** @param {ts.Program | undefined} before its files are taken over where they stand still */
function programOfScripts(before) {
  const extra = [{ extension: '.vue', isMixedContent: true, scriptKind: ts.ScriptKind.Deferred }]
  const system = { ...ts.sys, onUnRecoverableConfigFileDiagnostic: fail }
  const config = ts.getParsedCommandLineOfConfigFile(
    configFile,
    { allowNonTsExtensions: true },
    system,
    undefined,
    undefined,
    extra,
  )
  const host = ts.createCompilerHost(config.options, true)
  const { getSourceFile } = host
  host.getSourceFile = (name, ...how) => {
    if (!name.endsWith('.vue')) return before?.getSourceFile(name) ?? getSourceFile(name, ...how)
    const text = given.get(name) ?? script.exec(readFileSync(name, 'utf8'))?.[1] ?? ''
    return ts.createSourceFile(name, text, how[0], true, ts.ScriptKind.TS)
  }
  return ts.createProgram(config.fileNames, config.options, host)
}

export const vueScripts = {
  ...parser,
  parseForESLint(code, options) {
    // What stands in a template comes without a project, and has no types.
    if (!options.project) return parser.parseForESLint(code, options)
    program ??= programOfScripts()
    if (program.getSourceFile(options.filePath)?.text !== code) {
      given.set(options.filePath, code)
      program = programOfScripts(program)
    }
    return parser.parseForESLint(code, { ...options, project: null, programs: [program] })
  },
}
