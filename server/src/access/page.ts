const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (letter) => `&#${letter.charCodeAt(0)};`)

/** The one page that is served to whom nobody knows. */
export const enterPage = (said?: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Mivro</title>
<link rel="stylesheet" href="/enter.css">
</head>
<body>
<main>
<h1>mivro</h1>
<form method="post" action="/enter">
<label for="passphrase">Passphrase of this studio</label>
<input id="passphrase" name="passphrase" type="password" autocomplete="current-password" required autofocus>
${said === undefined ? '' : `<p role="alert">${escaped(said)}</p>`}
<button type="submit">Enter</button>
</form>
<p>It was set where Mivro was started. Whoever started it knows it.</p>
</main>
</body>
</html>
`

export const enterStyle = `
html { color-scheme: dark; background: #0d2220; color: #e9f3f0; font: 400 16px/1.5 system-ui, sans-serif; }
body { min-height: 100vh; margin: 0; display: grid; place-items: center; }
main { width: min(360px, 88vw); }
h1 { margin: 0 0 24px; font-size: 34px; letter-spacing: -0.02em; color: #f0b347; }
form { display: grid; gap: 12px; padding: 22px; border: 1px solid #2b524e; border-radius: 14px; background: #14312f; }
input { height: 52px; padding: 0 14px; border: 1px solid #5f807b; border-radius: 8px; background: #0d2220; color: inherit; font: inherit; }
button { height: 64px; border: 0; border-radius: 14px; background: #f0b347; color: #2b1c02; font: 600 20px system-ui, sans-serif; }
:focus-visible { outline: 3px solid #5fc4c0; outline-offset: 2px; }
p { margin: 14px 0 0; color: #b9ccc7; }
form p { margin: 0; color: #ff9c94; }
`
