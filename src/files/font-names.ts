/** Whether a file of this name may be a font: which is asked before what reads fonts is loaded, since that is large. */
export function mayBeFont(path: string): boolean {
  return !/\.(?:x?html?|css|m?js|json|xml|txt|md|png|jpe?g|gif|webp|avif|svg|ico|pdf|zip|gz|mp[34]|map)$/i.test(
    path,
  );
}
