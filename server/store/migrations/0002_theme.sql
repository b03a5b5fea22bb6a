ALTER TABLE "edits" ADD COLUMN "sequence" serial NOT NULL;--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;