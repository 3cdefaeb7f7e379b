/** Every table, gathered. One file a word; what a table refers to stands in a file it imports, never the other way. */
export * from "./alarms";
export * from "./classes";
export * from "./firings";
export * from "./glass";
export * from "./kilns";
export * from "./kits";
export * from "./loads";
export * from "./microwave";
export * from "./people";
export * from "./pieces";
export * from "./readings";
export * from "./schedules";
export * from "./stock";
export * from "./studio";
