import { onlineManager } from "@tanstack/react-query";
import { Refused, type Problem } from "../api/client";
import { backOff, worthTrying } from "../api/backOff";

type Answers<Q, A> = {
  answered: (answer: A, question: Q) => void;
  refused: (problem: Problem, question: Q) => void;
  /** Told when there is no connection to ask over, and when there is one again. */
  reached: (reached: boolean) => void;
};

/**
 * Asks about the newest thing only, one request at a time: while one is under way the newest of what comes meanwhile
 * waits, and what lay between is never asked. A broken connection is tried again with back-off.
 */
export class Asker<Q, A> {
  private readonly ask: (question: Q, signal: AbortSignal) => Promise<A>;
  private readonly answers: Answers<Q, A>;
  private wanted: { question: Q } | null = null;
  private under: AbortController | null = null;
  private failures = 0;
  private timer = 0;
  private readonly stopListening: () => void;

  constructor(ask: (question: Q, signal: AbortSignal) => Promise<A>, answers: Answers<Q, A>) {
    this.ask = ask;
    this.answers = answers;
    this.stopListening = onlineManager.subscribe((online) => online && this.retryNow());
  }

  /** Want an answer to this, whatever was wanted before. */
  want(question: Q): void {
    this.wanted = { question };
    if (!this.under && this.failures === 0) void this.work();
  }

  dispose(): void {
    window.clearTimeout(this.timer);
    this.under?.abort();
    this.wanted = null;
    this.stopListening();
  }

  private retryNow(): void {
    window.clearTimeout(this.timer);
    if (!this.under && this.wanted) void this.work();
  }

  private async work(): Promise<void> {
    while (this.wanted) {
      const { question } = this.wanted;
      this.wanted = null;
      this.under = new AbortController();
      const { signal } = this.under;
      try {
        const answer = await this.ask(question, signal);
        if (signal.aborted) return;
        this.heard();
        this.answers.answered(answer, question);
      } catch (error) {
        if (signal.aborted) return;
        if (error instanceof Refused && !worthTrying(0, error)) {
          this.heard();
          this.answers.refused(error.problem, question);
        } else {
          this.lost(question);
          return;
        }
      }
      this.under = null;
    }
  }

  private heard(): void {
    if (this.failures > 0) this.answers.reached(true);
    this.failures = 0;
  }

  private lost(question: Q): void {
    this.under = null;
    this.wanted ??= { question };
    if (this.failures === 0) this.answers.reached(false);
    this.timer = window.setTimeout(() => this.retryNow(), backOff(this.failures));
    this.failures += 1;
  }
}
