/** Stands for the file system in the page, where there is none. */
export default {};
