// What of a screen is cut off, wider than its window, or lies on top of something else, in words; empty where all is well.
() => {
  const shown = (e) => e.checkVisibility({ opacityProperty: true, visibilityProperty: true, contentVisibilityAuto: true })
  const told = (e) => `<${e.tagName.toLowerCase()} class="${e.getAttribute('class') ?? ''}"> “${(e.textContent ?? '').trim().replace(/\s+/g, ' ').slice(0, 60)}”`
  const wrong = []
  if (document.documentElement.scrollWidth > innerWidth) wrong.push(`the page is ${document.documentElement.scrollWidth} wide`)
  // A part that floats above the rest, or stays while the rest scrolls, may hide some of it.
  const layer = (e) => {
    for (let at = e; at; at = at.parentElement) if (['fixed', 'sticky'].includes(getComputedStyle(at).position)) return at
    return null
  }
  // The part of a rectangle that its scrolling ancestors show.
  const seen = (e, r) => {
    let [left, top, right, bottom] = [Math.max(r.left, 0), Math.max(r.top, 0), Math.min(r.right, innerWidth), Math.min(r.bottom, innerHeight)]
    for (let at = e; at && at !== document.body; at = at.parentElement) {
      if (at instanceof SVGElement && !(at instanceof SVGSVGElement)) continue
      const style = getComputedStyle(at)
      if (style.overflowX === 'visible' && style.overflowY === 'visible') continue
      const b = at.getBoundingClientRect()
      if (style.overflowX !== 'visible') [left, right] = [Math.max(left, b.left), Math.min(right, b.right)]
      if (style.overflowY !== 'visible') [top, bottom] = [Math.max(top, b.top), Math.min(bottom, b.bottom)]
    }
    return { left, top, right, bottom }
  }
  // What cuts it off that people cannot scroll, and that does not say with dots that there is more; labels are to be read.
  const cutBy = (e, r, way) => {
    for (let at = e; at && at !== document.body; at = at.parentElement) {
      if (at instanceof SVGElement && !(at instanceof SVGSVGElement)) continue
      const style = getComputedStyle(at)
      const overflow = style[way]
      const b = at.getBoundingClientRect()
      if (overflow === 'visible' || (way === 'overflowX' ? r.right <= b.right + 2 : r.bottom <= b.bottom + 4)) continue
      const dots = style.textOverflow === 'ellipsis' || style.webkitLineClamp !== 'none'
      return ['auto', 'scroll'].includes(overflow) || (dots && !at.matches('.v-label')) ? null : at
    }
    return null
  }
  const pieces = []
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const e = node.parentElement
    if (!node.textContent.trim() || !shown(e) || ['SCRIPT', 'STYLE', 'OPTION', 'TITLE'].includes(e.tagName)) continue
    if (e.closest('.visually-hidden, [aria-hidden="true"].v-icon')) continue
    const range = document.createRange()
    range.selectNodeContents(node)
    for (const r of range.getClientRects()) {
      const v = seen(e, r)
      if (v.right - v.left < 1 || v.bottom - v.top < 1) continue
      for (const way of ['overflowX', 'overflowY']) {
        const by = cutBy(e, r, way)
        if (by) wrong.push(`cut: ${told(e)} at ${Math.round(r.right)}, ${Math.round(r.bottom)} by <${by.tagName.toLowerCase()} class="${by.getAttribute('class') ?? ''}">`)
      }
      // Letters are lower than their lines.
      const lean = Math.min(4, (r.bottom - r.top) / 4)
      pieces.push({ e, layer: layer(e), left: v.left + 1, right: v.right - 1, top: Math.max(v.top, r.top + lean), bottom: Math.min(v.bottom, r.bottom - lean) })
    }
  }
  pieces.sort((a, b) => a.top - b.top)
  const pairs = new Set()
  pieces.forEach((a, i) => {
    for (let j = i + 1; j < pieces.length && pieces[j].top < a.bottom; j++) {
      const b = pieces[j]
      if (a.e === b.e || a.layer !== b.layer) continue
      const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left)
      const high = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top)
      if (wide > 1 && high > 1) pairs.add(`on top of each other: ${told(a.e)} and ${told(b.e)}, by ${Math.round(wide)} × ${Math.round(high)}`)
    }
  })
  return [...new Set([...wrong, ...pairs])].slice(0, 12)
}
