import { dragRow, planRows, shelfRows } from "./benchmark-load";
import { largeRow } from "./benchmark-cut";
console.log(planRows().join("\n"));
console.log(dragRow());
console.log(largeRow());
console.log(shelfRows().join("\n"));
