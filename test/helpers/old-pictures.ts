import sharp from 'sharp';
import { button } from './buttons.ts';

/** Old menus made of pictures, as people have made them by hand; each page marks itself. */

const entries = [
  ['index.html', 'home', 'Home'],
  ['boats.html', 'boats', 'Our boats'],
  ['times.html', 'times', 'Times'],
  ['contact.html', 'contact', 'Contact'],
] as const;

type Files = Record<string, string | Buffer>;

const page = (title: string, head: string, menu: string): string =>
  `<!doctype html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<meta name="viewport" content="width=device-width">\n<title>${title} - Gull Island Ferry</title>\n${head}\n</head>\n<body>\n${menu}\n<div id="main"><h1>${title}</h1><p>Words about ${title.toLowerCase()}, and some more.</p></div>\n</body>\n</html>\n`;

const colors: Readonly<Record<string, readonly [string, string]>> = {
  '': ['#204060', '#ffffff'],
  _over: ['#406080', '#ffee88'],
  _on: ['#102030', '#88eeff'],
};

async function pictures(folder: string, states = Object.keys(colors)): Promise<Files> {
  const files: Files = {};
  for (const [at, [, name]] of entries.entries())
    for (const state of states) {
      const [ground, band] = colors[state]!;
      const own = `${band.slice(0, 5)}${(at * 3 + 10).toString(16).padStart(2, '0')}`;
      files[`${folder}/${name}${state}.gif`] = await button(80 + 10 * at, 28, [ground, own], 'gif');
    }
  return files;
}

/** A row of a table, each picture swapped in its own tag. */
export async function swapped(): Promise<Files> {
  const menu = (here: string): string =>
    `<table id="nav"><tr>\n${entries
      .map(
        ([path, name, label]) =>
          `<td><a href="${path}" onmouseover="document.images['${name}'].src='img/${name}_over.gif'" onmouseout="document.images['${name}'].src='img/${name}.gif'"><img name="${name}" src="img/${name}${path === here ? '_on' : ''}.gif" width="${80 + 10 * entries.findIndex(one => one[0] === path)}" height="28" border="0" alt="${label}"></a></td>`,
      )
      .join('\n')}\n</tr></table>`;
  return {
    ...(await pictures('img')),
    ...Object.fromEntries(entries.map(([path, , label]) => [path, page(label, '', menu(path))])),
  };
}

/** A list whose pictures a script swaps by their numbers. */
export async function scripted(): Promise<Files> {
  const menu = (here: string): string =>
    `<div class="menu">\n${entries
      .map(
        ([path, name, label], at) =>
          `<a href="${path}" onmouseover="lit(${at})" onmouseout="dark(${at})"><img src="pics/${name}${path === here ? '_on' : ''}.gif" alt="${label}"></a>`,
      )
      .join('\n')}\n</div>`;
  const script = `var over = [${entries.map(([, name]) => `"pics/${name}_over.gif"`).join(', ')}];\nvar out = [${entries.map(([, name]) => `"pics/${name}.gif"`).join(', ')}];\nfunction lit(n) { document.images[n].src = over[n]; }\nfunction dark(n) { document.images[n].src = out[n]; }\n`;
  return {
    ...(await pictures('pics')),
    'swap.js': script,
    ...Object.fromEntries(
      entries.map(([path, , label]) => [path, page(label, '<script src="swap.js"></script>', menu(path))]),
    ),
  };
}

/** A strip that a style sheet moves. */
export async function moved(): Promise<Files> {
  const widths = entries.map((_, at) => 80 + 10 * at);
  const cells = await Promise.all(
    Object.values(colors).flatMap((pair, row) =>
      entries.map(async (_, at) => ({
        input: await button(widths[at]!, 28, [
          pair[0],
          `${pair[1].slice(0, 5)}${(at * 3 + 10).toString(16).padStart(2, '0')}`,
        ]),
        left: widths.slice(0, at).reduce((sum, one) => sum + one, 0),
        top: row * 28,
      })),
    ),
  );
  const width = widths.reduce((sum, one) => sum + one, 0);
  const strip = await sharp({ create: { width, height: 84, channels: 4, background: '#0000' } })
    .composite(cells)
    .png()
    .toBuffer();
  const css = `#nav { list-style: none; margin: 0; padding: 0; overflow: hidden; }
#nav li { float: left; }
#nav a { display: block; height: 28px; background: url(../img/nav.png) no-repeat; text-indent: -9999px; overflow: hidden; }
${entries
  .map(([, name], at) => {
    const x = -widths.slice(0, at).reduce((sum, one) => sum + one, 0);
    return `#nav .${name} { width: ${widths[at]!}px; background-position: ${x}px 0; }\n#nav .${name}:hover { background-position: ${x}px -28px; }\n#nav .${name}.here { background-position: ${x}px -56px; }`;
  })
  .join('\n')}
`;
  const menu = (here: string): string =>
    `<ul id="nav">\n${entries.map(([path, name, label]) => `<li><a class="${name}${path === here ? ' here' : ''}" href="${path}">${label}</a></li>`).join('\n')}\n</ul>`;
  return {
    'img/nav.png': strip,
    'css/style.css': css,
    ...Object.fromEntries(
      entries.map(([path, , label]) => [
        path,
        page(label, '<link rel="stylesheet" href="css/style.css">', menu(path)),
      ]),
    ),
  };
}
