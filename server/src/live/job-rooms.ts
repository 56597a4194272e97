import type { LiveEvent, Present } from '@levamen/core/api';

interface Visitor {
  readonly present: Present;
  readonly tell: (event: LiveEvent) => void;
}

/** Who has which job open now, and whom to tell what happens in it. One server keeps it in mind; nothing of it is stored. */
export class JobRooms {
  private readonly rooms = new Map<string, Set<Visitor>>();

  /** How many windows show a job. */
  size(jobId: string): number {
    return this.rooms.get(jobId)?.size ?? 0;
  }

  /**
   * Somebody opens a job: everybody in it learns that.
   *
   * @param tell is given every event from now on
   * @returns what to do when he leaves
   */
  enter(jobId: string, present: Present, tell: (event: LiveEvent) => void): () => void {
    const visitor = { present, tell };
    const room = this.rooms.get(jobId) ?? new Set<Visitor>();
    this.rooms.set(jobId, room.add(visitor));
    this.tellWhoIsThere(jobId);
    return () => {
      if (!room.delete(visitor)) return;
      if (room.size === 0) this.rooms.delete(jobId);
      this.tellWhoIsThere(jobId);
    };
  }

  /** Tells everybody who has the job open. */
  tell(jobId: string, event: LiveEvent): void {
    for (const visitor of this.rooms.get(jobId) ?? []) visitor.tell(event);
  }

  private tellWhoIsThere(jobId: string): void {
    const people = [...(this.rooms.get(jobId) ?? [])].map(({ present }) => present);
    this.tell(jobId, { kind: 'present', people });
  }
}
