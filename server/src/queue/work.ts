/** A kind of heavy work that waits in the queue of the database, and is done by whichever server or worker has time. */
export interface Work<Data extends object> {
  /** Its queue. */
  readonly name: string;
  /** So many are done beside each other in one process. */
  readonly atOnce: number;
  /** Does one; it throws where it is worth trying again. What is done already is not done again. */
  work(data: Data): Promise<void>;
  /** What somebody was working on who has died: to be put in again. */
  takeUp(): Promise<Data[]>;
  /** Somebody will ask for it soon. */
  warm?(): void;
  /** Lets go of what is being done: whoever works next takes it up again. */
  close(): Promise<void>;
}
