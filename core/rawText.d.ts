/** Files that tests read as they stand. */
declare module '*.csv?raw' {
  const text: string;
  export default text;
}
