/** The style of the report of a walk. */
export const walkStyle = `
html { color-scheme: light; }
body { margin: 0; color: #1f2937; background: #f7f6f2; font: 15px/1.55 system-ui, sans-serif; }
header { padding: 3.5rem max(2rem, 50vw - 36rem) 2.5rem; color: #f2f5f9; background: #1d3b4f; }
header .site { margin: 0 0 0.75rem; color: #b9cddb; font-weight: 600; }
header h1 { max-width: 26ch; margin: 0 0 1rem; font-size: clamp(1.7rem, 4vw, 2.6rem); font-weight: 650; line-height: 1.15; letter-spacing: -0.015em; text-wrap: balance; }
header .about { max-width: 70ch; margin: 0; color: #c9d8e3; }
header a { color: #fff; }
main { padding: 2.5rem max(2rem, 50vw - 36rem) 4rem; }
section { margin: 0 0 3rem; }
h2 { margin: 0 0 0.5rem; font-size: 1.25rem; letter-spacing: -0.01em; }
section > p { max-width: 70ch; margin: 0 0 1.25rem; color: #566170; }
.wide { overflow-x: auto; margin: 0 -0.5rem; padding: 0 0.5rem; }
table { border-collapse: collapse; font-variant-numeric: tabular-nums; }
thead th { padding: 0 0.2rem 0.6rem; color: #566170; font-size: 12.5px; font-weight: 500; text-align: start; vertical-align: bottom; }
thead th span { display: block; width: 2.4rem; writing-mode: vertical-rl; transform: rotate(180deg); white-space: nowrap; line-height: 2.4rem; }
tbody th { padding: 0.28rem 1.5rem 0.28rem 1.1rem; min-width: 15rem; max-width: 26rem; color: #566170; font-weight: 400; text-align: start; }
tbody .page th { padding-inline-start: 0; padding-block-start: 0.75rem; color: #1f2937; font-weight: 600; }
tbody .page td { padding-block-start: 0.75rem; }
th small { margin-inline-start: 0.5em; color: #7a8390; font-weight: 400; }
tbody td { padding: 0.28rem 0.2rem; width: 2.4rem; text-align: center; }
tbody + tbody { border-top: 1px solid #e2dfd6; }
td.n0 { color: #7a8390; }
td.n1 { color: #1c6a47; }
td.n2 { color: #285b86; }
td.n3 { color: #6d4b12; }
td.n4, td.n5 { color: #8a3b0d; font-weight: 600; }
td.no { color: #a11d1d; background: #fbe6e3; font-weight: 650; }
td.yes { color: #1c6a47; }
td small { display: block; color: #7a8390; font-size: 11px; line-height: 1; }
.asked td, .asked tbody th { padding: 0.5rem 2rem 0.5rem 0; width: auto; text-align: start; white-space: normal; }
.asked tbody tr { border-top: 1px solid #e2dfd6; }
.asked tbody th { color: #1f2937; font-weight: 600; }
#found ul { display: grid; gap: 1rem; margin: 1rem 0 0; padding: 0; list-style: none; }
#found li { display: grid; grid-template-columns: minmax(0, 1fr); gap: 1.5rem; padding: 1.1rem 1.35rem; background: #fff; border: 1px solid #e2dfd6; border-inline-start: 4px solid #b7bcc4; border-radius: 0.4rem; }
#found li.error { border-inline-start-color: #b3261e; }
#found li.warning { border-inline-start-color: #b7791f; }
#found p { margin: 0 0 0.3rem; }
#found .rule { color: #566170; font-size: 12.5px; }
#found .remedy { margin: 0; color: #566170; }
#found img { max-width: 100%; max-height: 22rem; border: 1px solid #e2dfd6; }
@media (min-width: 60rem) { #found li:has(img) { grid-template-columns: minmax(0, 1fr) 24rem; } }
@media print { header { color: inherit; background: none; } header .site, header .about, header a { color: inherit; } }
`;
