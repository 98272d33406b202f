let tell: () => void = () => undefined;

/** Resolves when the first verdict since the page was loaded has come: what can wait for it waits. */
export const firstAnswer = new Promise<void>((resolve) => (tell = resolve));

export const hasAnswered = (): void => tell();
