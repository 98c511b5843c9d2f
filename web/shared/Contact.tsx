/** How a client reaches the studio: a phone number and an e-mail address can be pressed. */
export function Contact({ lines }: { lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <address className="soft">
      {lines.map((line) => (
        <div key={line}>
          {line.includes('@') ? (
            <a href={`mailto:${line}`}>{line}</a>
          ) : /^[+\d][\d\s()/.-]{3,}$/.test(line) ? (
            <a href={`tel:${line.replace(/[^+\d]/g, '')}`}>{line}</a>
          ) : (
            line
          )}
        </div>
      ))}
    </address>
  );
}
