ALTER TABLE "edits" DISABLE ROW LEVEL SECURITY;--> statement-breakpoint
DROP TABLE "edits" CASCADE;--> statement-breakpoint
DROP INDEX "pages_by_position";--> statement-breakpoint
ALTER TABLE "pages" ALTER COLUMN "root" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "pages" DROP COLUMN "position";--> statement-breakpoint
ALTER TABLE "pages" DROP COLUMN "document";--> statement-breakpoint
ALTER TABLE "pages" DROP COLUMN "changed_at";--> statement-breakpoint
ALTER TABLE "publications" DROP COLUMN "revisions";