import { isRecord } from '@level-stance/core/kernel/tables'
import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { mouldingSteps, stepClock } from '@level-stance/core/stations/feet/shoe/moulding'

interface Running {
  readonly step: string
  /** milliseconds of this machine's clock */
  readonly startedAt: number
  /** the visit it was started in, to find the way back, and its rider */
  readonly visitId: string
  readonly rider: string
}

/** The clock of a moulding step: kept in this browser, so that leaving the page or a reload changes nothing. */
export const useMoulding = defineStore('moulding', () => {
  const running = useLocalStorage<Running | null>('level-stance.moulding', null, {
    serializer: { read: readRunning, write: JSON.stringify },
  })
  const done = useLocalStorage<string[]>('level-stance.moulding-done', [])
  const now = ref(Date.now())
  const ticking = useIntervalFn(() => (now.value = Date.now()), 250, { immediate: false })
  watch(running, (on) => (on ? ticking.resume() : ticking.pause()), { immediate: true })

  const step = computed(() => mouldingSteps.find(({ key }) => key === running.value?.step) ?? null)
  const clock = computed(() =>
    running.value && step.value?.minutes ? stepClock(running.value.startedAt, step.value.minutes, now.value) : null,
  )
  const over = computed(() => clock.value !== null && clock.value.left === 0)

  function start(key: string, visitId: string, rider: string): void {
    now.value = Date.now()
    running.value = { step: key, startedAt: now.value, visitId, rider }
    prepareSound()
  }
  /** Stopped before its time, a step is not done. */
  function stop(): void {
    if (running.value && over.value) setDone(running.value.step, true)
    running.value = null
  }
  function setDone(key: string, on: boolean): void {
    done.value = on ? [...new Set([...done.value, key])] : done.value.filter((other) => other !== key)
  }
  function reset(): void {
    running.value = null
    done.value = []
  }

  // A pair of beeps every second and a half once the time is over, until somebody answers.
  let audio: AudioContext | null = null
  /** A browser lets a page sound only after a hand has touched it. */
  function prepareSound(): void {
    audio ??= typeof AudioContext === 'undefined' ? null : new AudioContext()
    if (audio?.state === 'suspended') void audio.resume()
  }
  function beep(): void {
    prepareSound()
    if (!audio || audio.state !== 'running') return
    for (const [after, pitch] of [
      [0, 880],
      [0.22, 1175],
    ] as const) {
      const tone = audio.createOscillator()
      const gain = audio.createGain()
      tone.frequency.value = pitch
      gain.gain.setValueAtTime(0.25, audio.currentTime + after)
      gain.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + after + 0.18)
      tone.connect(gain).connect(audio.destination)
      tone.start(audio.currentTime + after)
      tone.stop(audio.currentTime + after + 0.2)
    }
  }
  const beeping = useIntervalFn(beep, 1500, { immediate: false, immediateCallback: true })
  watch(over, (is) => (is ? beeping.resume() : beeping.pause()), { immediate: true })

  return { running, done, step, clock, over, start, stop, setDone, reset }
})

/** What another version or a hand has put into the storage is no clock. */
function readRunning(text: string): Running | null {
  try {
    const value: unknown = JSON.parse(text)
    if (
      isRecord(value) &&
      typeof value['step'] === 'string' &&
      typeof value['startedAt'] === 'number' &&
      Number.isFinite(value['startedAt'])
    )
      return {
        step: value['step'],
        startedAt: value['startedAt'],
        visitId: typeof value['visitId'] === 'string' ? value['visitId'] : '',
        rider: typeof value['rider'] === 'string' ? value['rider'] : '',
      }
  } catch {
    // Not JSON: no clock.
  }
  return null
}
