import { drag } from 'd3-drag'
import type { D3DragEvent } from 'd3-drag'
import { select } from 'd3-selection'
import type { Drawn } from '@level-stance/core/kernel/drawing'
import { ref } from 'vue'
import type { Directive, Ref } from 'vue'

type DrawnFrame = SVGSVGElement | SVGGElement
type Dragged<Held> = D3DragEvent<SVGElement, unknown, Drawn & { readonly held: Held }>

/**
 * Something in a drawing that a hand drags, mouse or finger.
 * @param frame what the points are counted in
 * @param take what is held, from where the hand took hold, and the directive's value; null = nothing is
 * @param move where the hand is now
 * @returns a directive for each handle, and whether one is held
 */
export function useSvgDrag<Held, On = undefined>(
  frame: (handle: SVGElement) => DrawnFrame | null,
  take: (at: Drawn, on: On) => Held | null,
  move: (at: Drawn, held: Held) => void,
  letGo: () => void = () => undefined,
): { readonly dragging: Ref<boolean>; readonly vDrag: Directive<SVGElement, On> } {
  const dragging = ref(false)
  /** The handles there are, and what each stands for now. */
  const handles = new Map<SVGElement, { readonly value: On }>()
  const vDrag: Directive<SVGElement, On> = {
    mounted(handle, { value }) {
      handles.set(handle, { value })
      const isShown = () => Boolean(frame(handle)?.getScreenCTM())
      const behaviour = drag<SVGElement, unknown>()
        .filter((event: MouseEvent) => !event.ctrlKey && !event.button && isShown())
        .container(() => frame(handle) ?? document.body)
        .subject(({ x, y }: Dragged<Held>) => {
          const on = handles.get(handle)
          const held = on === undefined ? null : take({ x, y }, on.value)
          return held === null ? undefined : { x, y, held }
        })
        .on('start', () => (dragging.value = true))
        .on('drag', ({ x, y, subject }: Dragged<Held>) => {
          if (handles.has(handle)) move({ x, y }, subject.held)
        })
        .on('end', () => {
          dragging.value = false
          letGo()
        })
      select(handle).call(behaviour)
    },
    updated: (handle, { value }) => void handles.set(handle, { value }),
    beforeUnmount(handle) {
      handles.delete(handle)
      select(handle).on('.drag', null)
    },
  }
  return { dragging, vDrag }
}
