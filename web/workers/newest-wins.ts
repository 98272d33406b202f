/**
 * Asks one question at a time, always the newest: while one is under way, later ones replace each other. An answer is
 * delivered unless something newer has been asked, so what is shown is never older than what was shown before.
 */
export class NewestWins<Question, Answer> {
  readonly #answer: (question: Question) => Promise<Answer>;
  readonly #deliver: (answer: Answer, question: Question) => void;
  #waiting: { readonly question: Question } | null = null;
  #busy = false;
  #closed = false;

  /** `answer` must not reject: faults are answers. */
  constructor(answer: (question: Question) => Promise<Answer>, deliver: (answer: Answer, question: Question) => void) {
    this.#answer = answer;
    this.#deliver = deliver;
  }

  ask(question: Question): void {
    this.#waiting = { question };
    if (!this.#busy) void this.#run();
  }

  /** Whatever is under way is let go of. */
  forget(): void {
    this.#waiting = null;
    this.#closed = true;
  }

  async #run(): Promise<void> {
    this.#busy = true;
    while (this.#waiting) {
      const { question } = this.#waiting;
      this.#waiting = null;
      const answer = await this.#answer(question);
      if (this.#closed) return;
      if (!this.#waiting) this.#deliver(answer, question);
    }
    this.#busy = false;
  }
}
