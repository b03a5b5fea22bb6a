ALTER TABLE "publications" ADD COLUMN "note" text;--> statement-breakpoint
ALTER TABLE "publications" ADD COLUMN "state" text;