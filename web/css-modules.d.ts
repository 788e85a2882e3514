/** The class names of a CSS module, as they are in the page. */
declare module '*.module.css' {
  const names: Readonly<Record<string, string>>;
  export default names;
}
