/** Where the queue keeps its jobs, in the studio’s own database. */
export const QUEUE_SCHEMA = "jobs";
