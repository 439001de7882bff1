/** What of the library the tests use; it comes without types. */
declare module 'split-sms' {
  const splitter: {
    split(text: string): { characterSet: 'GSM' | 'Unicode'; parts: unknown[]; remainingInPart: number };
  };
  export default splitter;
}
