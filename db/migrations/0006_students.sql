DROP INDEX "piece_student";--> statement-breakpoint
CREATE INDEX "piece_student" ON "piece" USING btree ("student_id","since");