/** One of the ESCs of a rig. */
export interface EscOfRig {
  rigId: string;
  /** 1 upward. */
  escNumber: number;
}

export const firstEsc = (rigId: string): EscOfRig => ({ rigId, escNumber: 1 });
