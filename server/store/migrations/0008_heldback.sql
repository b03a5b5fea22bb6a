ALTER TABLE "publications" ADD COLUMN "by" text;--> statement-breakpoint
ALTER TABLE "publications" ADD COLUMN "held_back" jsonb;