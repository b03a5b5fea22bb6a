ALTER TABLE "log" ADD COLUMN "version" integer DEFAULT 2 NOT NULL;--> statement-breakpoint
ALTER TABLE "parts" ADD COLUMN "version" integer DEFAULT 2 NOT NULL;--> statement-breakpoint
CREATE INDEX "letters_unread" ON "letters" USING btree ("site") WHERE "letters"."read_at" is null and not "letters"."doubtful";--> statement-breakpoint
CREATE INDEX "log_by_session" ON "log" USING btree ("site","session","revision");--> statement-breakpoint
CREATE INDEX "publications_by_state" ON "publications" USING btree ("site","state");