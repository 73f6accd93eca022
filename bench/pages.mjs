// The made-up pages that are measured.

/** In 1,540 folders. */
export function pathOf(number) {
  const chapter = number % 1540;
  return `part-${chapter % 40}/chapter-${chapter}/page-${number}.html`;
}

/** About 26 kB of ordinary markup, the slot near its start. */
export function pageOf(number) {
  const text =
    'The dome turns slowly on its rails, and whoever stands below it hears the wheels before seeing the sky move.';
  const part = at =>
    `    <h2 id="s${at}">Section ${at}</h2>\n    <p>${text} <a href="#s${at}">See ${at}</a>. ${text}</p>\n    <ul><li>${text}</li><li><b>${at}</b> ${text}</li></ul>\n`;
  const body = Array.from({ length: 42 }, (_, at) => part(at)).join('');
  return `<!doctype html>\n<html lang="en">\n<head>\n  <meta charset="utf-8">\n  <title>Page ${number} | Bench</title>\n  <link rel="stylesheet" href="site.css">\n</head>\n<body>\n  <header>\n    <div data-kamino-slot="masthead"></div>\n  </header>\n  <main id="content">\n    <h1>Page ${number}</h1>\n${body}  </main>\n</body>\n</html>\n`;
}
