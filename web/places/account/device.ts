/** A browser and its system in words, from what it calls itself; what is not known stays out. */
export function deviceWords(agent: string): string {
  const browser =
    (/\bEdg\//.test(agent) && 'Edge') ||
    (/\bFirefox\//.test(agent) && 'Firefox') ||
    (/\b(Headless)?Chrom(e|ium)\//.test(agent) && 'Chrome or Chromium') ||
    (/\bSafari\//.test(agent) && 'Safari') ||
    'a browser';
  const system =
    (/\b(iPhone|iPad)\b/.test(agent) && 'iPhone or iPad') ||
    (/\bAndroid\b/.test(agent) && 'Android') ||
    (/\bWindows\b/.test(agent) && 'Windows') ||
    (/\bMac OS X\b/.test(agent) && 'Mac') ||
    (/\bLinux\b/.test(agent) && 'Linux') ||
    '';
  return system ? `${browser} on ${system}` : browser;
}
