CREATE TABLE "log" (
	"site" text NOT NULL,
	"revision" integer NOT NULL,
	"key" text NOT NULL,
	"fingerprint" text NOT NULL,
	"base" integer NOT NULL,
	"session" text NOT NULL,
	"by" text NOT NULL,
	"of" text,
	"sentence" text NOT NULL,
	"operations" jsonb NOT NULL,
	"inverse" jsonb NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "log_site_revision_pk" PRIMARY KEY("site","revision")
);
--> statement-breakpoint
CREATE TABLE "nodes" (
	"site" text NOT NULL,
	"page" text NOT NULL,
	"id" text NOT NULL,
	"node" jsonb NOT NULL,
	CONSTRAINT "nodes_site_page_id_pk" PRIMARY KEY("site","page","id")
);
--> statement-breakpoint
CREATE TABLE "parts" (
	"site" text NOT NULL,
	"key" text NOT NULL,
	"part" integer NOT NULL,
	"operations" jsonb NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "parts_site_key_part_pk" PRIMARY KEY("site","key","part")
);
--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "root" text DEFAULT 'root' NOT NULL;--> statement-breakpoint
ALTER TABLE "publications" ADD COLUMN "revision" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "frame_revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "changed_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "log" ADD CONSTRAINT "log_site_sites_id_fk" FOREIGN KEY ("site") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "nodes" ADD CONSTRAINT "nodes_site_sites_id_fk" FOREIGN KEY ("site") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "parts" ADD CONSTRAINT "parts_site_sites_id_fk" FOREIGN KEY ("site") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "log_by_key" ON "log" USING btree ("site","key");--> statement-breakpoint
CREATE INDEX "parts_by_age" ON "parts" USING btree ("received_at");--> statement-breakpoint
INSERT INTO "nodes" ("site", "page", "id", "node") SELECT "pages"."site", "pages"."id", "entry"."key", "entry"."value" FROM "pages", jsonb_each("pages"."document" -> 'nodes') AS "entry";--> statement-breakpoint
UPDATE "pages" SET "root" = "document" ->> 'root';--> statement-breakpoint
UPDATE "publications" SET "revision" = 1 FROM "sites" WHERE "sites"."id" = "publications"."site" AND coalesce(("publications"."revisions" ->> '')::integer, 1) = "sites"."revision" AND NOT EXISTS (SELECT 1 FROM "pages" WHERE "pages"."site" = "publications"."site" AND ("publications"."revisions" ->> "pages"."id")::integer IS DISTINCT FROM "pages"."revision");--> statement-breakpoint
UPDATE "sites" SET "revision" = 1, "changed_at" = (SELECT max("changed_at") FROM "pages" WHERE "pages"."site" = "sites"."id"), "frame" = jsonb_set("frame", '{pages}', (SELECT jsonb_agg(jsonb_build_object('id', "pages"."id", 'slug', "document" -> 'slug', 'title', "document" -> 'title', 'description', "document" -> 'description') ORDER BY "position") FROM "pages" WHERE "pages"."site" = "sites"."id"));--> statement-breakpoint
UPDATE "pages" SET "revision" = 1;
