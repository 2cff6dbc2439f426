/**
 * One question that many ask at once: it is on its way once at a time, and who asks meanwhile shares the next. So every
 * answer was asked for after whoever gets it began to wait.
 */
export class Together<T> {
  private sent: Promise<unknown> = Promise.resolve();
  private next: Promise<T> | null = null;

  constructor(private readonly question: () => Promise<T>) {}

  ask(): Promise<T> {
    const send = () => {
      this.next = null;
      const sent = this.question();
      this.sent = sent;
      return sent;
    };
    this.next ??= this.sent.then(send, send);
    return this.next;
  }
}
