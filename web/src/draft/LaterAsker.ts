type Answers<Q, A> = { answered: (answer: A, question: Q) => void };

/** Asks once nothing newer came for a while; a newer question ends the older one, wherever that stands. */
export class LaterAsker<Q, A> {
  private readonly ask: (question: Q, signal: AbortSignal) => Promise<A>;
  private readonly answers: Answers<Q, A>;
  private readonly pause_ms: number;
  private timer = 0;
  private under: AbortController | null = null;

  constructor(
    pause_ms: number,
    ask: (question: Q, signal: AbortSignal) => Promise<A>,
    answers: Answers<Q, A>,
  ) {
    this.pause_ms = pause_ms;
    this.ask = ask;
    this.answers = answers;
  }

  want(question: Q): void {
    this.dispose();
    this.timer = window.setTimeout(() => {
      const asked = new AbortController();
      this.under = asked;
      this.ask(question, asked.signal).then(
        (answer) => asked.signal.aborted || this.answers.answered(answer, question),
        () => undefined, // ended by a newer one, or no connection, which is told where the figures are asked for
      );
    }, this.pause_ms);
  }

  dispose(): void {
    window.clearTimeout(this.timer);
    this.under?.abort();
  }
}
