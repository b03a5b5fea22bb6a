ALTER TABLE "sites" ADD COLUMN "name" text;--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "page_count" integer;--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "home_page" text;--> statement-breakpoint
UPDATE "sites" SET
  "name" = "frame" ->> 'name',
  "page_count" = jsonb_array_length("frame" -> 'pages'),
  "home_page" = coalesce(
    (SELECT page ->> 'id' FROM jsonb_array_elements("frame" -> 'pages') AS page WHERE page ->> 'slug' = '' LIMIT 1),
    "frame" -> 'pages' -> 0 ->> 'id'
  );--> statement-breakpoint
ALTER TABLE "sites" ALTER COLUMN "name" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "sites" ALTER COLUMN "page_count" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "sites" ALTER COLUMN "home_page" SET NOT NULL;
