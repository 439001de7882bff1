/** What this browser says it is: its name and the system's. */
export async function kindOfDevice(): Promise<string> {
  const { default: Bowser } = await import('bowser');
  const { browser, os } = Bowser.parse(navigator.userAgent);
  return [browser.name, os.name && `on ${os.name}`].filter(Boolean).join(' ') || 'A browser';
}
