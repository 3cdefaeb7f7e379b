ALTER TABLE "sign_up" DROP CONSTRAINT "sign_up_course_id_email_unique";--> statement-breakpoint
CREATE UNIQUE INDEX "sign_up_person" ON "sign_up" USING btree ("course_id","email",lower("name"));