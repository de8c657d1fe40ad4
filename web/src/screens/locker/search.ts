/** Finding gear by what people type. */
import type { Thing } from '@/api/types'
import { GROUP, groupOf, KIND } from '@/wording/kinds'

function plain(text: string): string {
  return text.toLowerCase().replace(/[–—−]/g, '-').replace(/f\/ ?/g, 'f/')
}

/** Whether every typed word occurs in the thing's name, kind or heading. */
export function matches(thing: Pick<Thing, 'name' | 'kind'>, typed: string): boolean {
  const hay = plain(`${thing.name} ${KIND[thing.kind]} ${GROUP[groupOf(thing.kind)]}`)
  return plain(typed)
    .split(/\s+/)
    .every((word) => hay.includes(word))
}

/** Whether somebody writes of more than one thing, or of more than one piece: "24-70, tripod", "4 packs", "SD 128 x4". */
export function looksLikeList(typed: string): boolean {
  return /[\n;]|,(?!\d)\s*\S|^\s*\d{1,2}\s*[x×]\s*[a-z]|\s[x×]\s*\d{1,2}\s*$|^\s*\d\s+[a-z]{3}/i.test(typed)
}

/** Whether a text comes from a spreadsheet: rows of cells between tabs, with a row of titles. */
export function looksLikeTable(text: string): boolean {
  const [titles = '', first] = text.split(/\r?\n/)
  return first !== undefined && titles.includes('\t') && first.includes('\t') && /(^|\t)\s*(name|thing|item|title|description|model)\s*(\t|$)/i.test(titles)
}
