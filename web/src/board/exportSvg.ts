/** Style properties that make a drawing look the same without the page's style sheet. */
const carried = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
  'paint-order',
]

/**
 * Drawn layers as one stand-alone SVG text: styles written into the elements, millimetres as user
 * units, a title and a note on scale. Nothing that can be clicked, and no handles.
 */
export function standAloneSvg(layers: readonly SVGSVGElement[], title: string): string {
  const first = layers[0]
  if (!first) return ''
  const out = document.createElementNS('http://www.w3.org/2000/svg', 'svg')
  const { x, y, width, height } = first.viewBox.baseVal
  out.setAttribute('viewBox', `${x} ${y} ${width} ${height}`)
  out.setAttribute('width', `${(width / 5).toFixed(1)}mm`)
  out.setAttribute('height', `${(height / 5).toFixed(1)}mm`)
  const name = document.createElementNS('http://www.w3.org/2000/svg', 'title')
  name.textContent = `${title}. One unit is one millimetre; printed unscaled it is 1:5.`
  out.append(name)
  const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect')
  for (const [key, value] of Object.entries({ x, y, width, height, fill: getComputedStyle(first.parentElement ?? first).backgroundColor }))
    ground.setAttribute(key, String(value))
  out.append(ground)
  for (const layer of layers) for (const child of layer.children) out.append(plain(child))
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(out)}\n`
}

function plain(element: Element): Node {
  if (element.matches('[role="button"]')) return document.createComment('')
  const copy = document.createElementNS('http://www.w3.org/2000/svg', element.tagName)
  for (const { name, value } of element.attributes)
    if (!/^(class|data-|aria-|role|tabindex|style)/.test(name)) copy.setAttribute(name, value)
  const style = getComputedStyle(element)
  if (!(element instanceof SVGGElement)) {
    for (const key of carried) {
      const value = style.getPropertyValue(key)
      if (value !== '' && value !== 'none' && value !== 'normal') copy.setAttribute(key, value)
      else if (key === 'fill' && value === 'none') copy.setAttribute('fill', 'none')
    }
  } else if (style.opacity !== '1') copy.setAttribute('opacity', style.opacity)
  if (element.children.length === 0) copy.textContent = element.textContent
  else for (const child of element.children) copy.append(plain(child))
  return copy
}

/** Hands a text to the browser as a file. */
export function download(name: string, text: string, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 1000)
}
