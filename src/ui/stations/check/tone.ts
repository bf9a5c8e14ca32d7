import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** How readings are taken in this browser. */
export const useManners = create<{
  tone: boolean;
  keys: boolean;
  set: (to: Partial<{ tone: boolean; keys: boolean }>) => void;
}>()(
  persist(
    (set) => ({
      tone: true,
      // Where fingers point, large keys.
      keys: typeof matchMedia === 'function' && matchMedia('(pointer: coarse)').matches,
      set: (to) => set(to),
    }),
    { name: 'havrik-check', skipHydration: true },
  ),
);

let audio: AudioContext | null = null;

/** A short tone: a reading was taken. Where a browser makes none, none. */
export function soundTaken(): void {
  if (!useManners.getState().tone || typeof AudioContext === 'undefined') return;
  try {
    audio ??= new AudioContext();
    const [tone, loud] = [audio.createOscillator(), audio.createGain()];
    tone.frequency.value = 880;
    loud.gain.setValueAtTime(0.08, audio.currentTime);
    loud.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + 0.12);
    tone.connect(loud).connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + 0.13);
  } catch {
    audio = null;
  }
}
