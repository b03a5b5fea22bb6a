CREATE TABLE "edits" (
	"site" text NOT NULL,
	"page" text NOT NULL,
	"revision" integer NOT NULL,
	"operations" jsonb NOT NULL,
	"sentence" text NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "edits_site_page_revision_pk" PRIMARY KEY("site","page","revision")
);
--> statement-breakpoint
CREATE TABLE "pages" (
	"site" text NOT NULL,
	"id" text NOT NULL,
	"position" integer NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"document" jsonb NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "pages_site_id_pk" PRIMARY KEY("site","id")
);
--> statement-breakpoint
CREATE TABLE "publications" (
	"site" text NOT NULL,
	"number" integer NOT NULL,
	"manifest" jsonb NOT NULL,
	"revisions" jsonb NOT NULL,
	"published_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sites" (
	"id" text PRIMARY KEY NOT NULL,
	"frame" jsonb NOT NULL,
	"live" integer,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "pages" ADD CONSTRAINT "pages_site_sites_id_fk" FOREIGN KEY ("site") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "publications" ADD CONSTRAINT "publications_site_sites_id_fk" FOREIGN KEY ("site") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "pages_by_position" ON "pages" USING btree ("site","position");--> statement-breakpoint
CREATE UNIQUE INDEX "publications_by_number" ON "publications" USING btree ("site","number");