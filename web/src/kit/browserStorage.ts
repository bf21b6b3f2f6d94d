import { ref } from 'vue'

/** Whether this browser has refused to keep something: its storage is full, or switched off. */
export const cannotKeep = ref(false)

/** Runs a write to the browser's storage; where it is refused, the screen says so until one succeeds. */
export function keep(write: () => void): void {
  try {
    write()
    cannotKeep.value = false
  } catch {
    cannotKeep.value = true
  }
}
/** For storage that a library writes. */
export const sayCannotKeep = (): void => {
  cannotKeep.value = true
}
