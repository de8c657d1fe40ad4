/** What the server says when something cannot be done: problem+json, with the field, the value and the rule. */
import type { components } from './schema.gen'

export type FieldProblem = components['schemas']['FieldProblem']

export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly fields: FieldProblem[] = [],
    readonly current: unknown = undefined,
  ) {
    super(title)
  }

  get stale(): boolean {
    return this.status === 409 && this.fields.some((f) => f.field === 'version')
  }
}

/** "more than 0 mm" stands at its field as "More than 0 mm". */
export function ruleText(rule: string): string {
  return rule.charAt(0).toUpperCase() + rule.slice(1)
}

/** Any thrown value as a Problem; a lost connection is told as one. */
export function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error
  return new Problem(0, 'The app’s server does not answer. What you typed is still here; try again in a moment.')
}

/** One sentence: the title and the first rules behind it. */
export function sentence(problem: Problem): string {
  const rules = problem.fields.slice(0, 3).map((f) => {
    const where = f.field ? `${f.field.replaceAll('.', ' › ').replaceAll('_', ' ')}: ` : ''
    return where + ruleText(f.rule)
  })
  return [problem.title, ...rules].join(' ')
}

/** Complaints that belong to no single field of a form: the rules whose path the form does not know. */
export function looseRules(problem: Problem | null, known: (field: string) => boolean): string[] {
  return (problem?.fields ?? []).filter((f) => !known(f.field)).map((f) => ruleText(f.rule))
}

/** Messages by field path, for the form that was sent. */
export function byField(problem: Problem | null): Record<string, string> {
  return Object.fromEntries((problem?.fields ?? []).map((f) => [f.field, ruleText(f.rule)]))
}
