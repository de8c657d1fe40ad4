/** Exposure times as cameras show them: "1/60", "0.5", "4", "2 min". */

/** "1/60", "0.5 s", "4s" or "2 min" to seconds; null when it is no time. */
export function seconds(text: string): number | null {
  const plain = text.trim().toLowerCase().replace(',', '.')
  const made = /^(?:(\d+)\s*\/\s*(\d+(?:\.\d+)?)|(\d*\.?\d+))\s*(s|sec|min|m|h)?$/.exec(plain)
  if (!made) return null
  const value = made[1] ? Number(made[1]) / Number(made[2]) : Number(made[3])
  const unit = made[4] === 'h' ? 3600 : made[4] === 'min' || made[4] === 'm' ? 60 : 1
  const found = value * unit
  return Number.isFinite(found) && found > 0 ? found : null
}

/** Seconds as a camera shows them. */
export function shutter(time: number): string {
  if (time < 0.3) return `1/${Math.round(1 / time)} s`
  if (time < 60) return `${Number(time.toFixed(time < 10 ? 1 : 0))} s`
  return `${Number((time / 60).toFixed(time < 600 ? 1 : 0))} min`
}
