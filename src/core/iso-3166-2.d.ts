/** Only what the tests use of it. */
declare module 'iso-3166-2' {
  const iso: {
    country(code: string): { name: string; sub: Record<string, { type: string; name: string }> } | null;
  };
  export default iso;
}
