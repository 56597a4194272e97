import { Injectable } from '@angular/core';
import { Subject } from 'rxjs';

/** Knows while somebody is in the middle of a word: what is typed is kept at once, and is one step of undo. */
@Injectable({ providedIn: 'root' })
export class Typing {
  /** Fields take what stands in them: the page is about to be hidden or left. */
  readonly finish$ = new Subject<void>();
  private run = 0;
  private isTyping = false;

  /** Takes a value that is still being typed. */
  during(take: () => void): void {
    this.isTyping = true;
    try {
      take();
    } finally {
      this.isTyping = false;
    }
  }

  /** The field was left: what is typed next is another step. */
  pause(): void {
    this.run += 1;
  }

  finish(): void {
    this.finish$.next();
    this.pause();
  }

  /** Which run of typing an edit belongs to; null = none. */
  current(): number | null {
    return this.isTyping ? this.run : null;
  }
}
