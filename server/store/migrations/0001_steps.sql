ALTER TABLE "edits" ADD COLUMN "inverse" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "edits" ADD COLUMN "by" text DEFAULT 'edit' NOT NULL;