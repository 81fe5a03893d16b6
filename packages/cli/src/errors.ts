/** What goes wrong at the command line: one sentence, with file, line and column where there are some, and exit status 2. */
export class BadInput extends Error {
  constructor(
    message: string,
    readonly file?: string,
    readonly line?: number,
    readonly column?: number,
  ) {
    super(message);
  }
  get text(): string {
    const place = [this.file, this.line, this.column].filter((p) => p !== undefined).join(':');
    return place ? `${place}: ${this.message}` : this.message;
  }
}
