CREATE TABLE "letters" (
	"site" text NOT NULL,
	"id" text NOT NULL,
	"form" text NOT NULL,
	"form_name" text NOT NULL,
	"page" text NOT NULL,
	"lines" jsonb NOT NULL,
	"doubtful" boolean NOT NULL,
	"arrived_at" timestamp with time zone DEFAULT now() NOT NULL,
	"read_at" timestamp with time zone,
	CONSTRAINT "letters_site_id_pk" PRIMARY KEY("site","id")
);
--> statement-breakpoint
ALTER TABLE "sites" ADD COLUMN "letters_kept" integer;--> statement-breakpoint
ALTER TABLE "letters" ADD CONSTRAINT "letters_site_sites_id_fk" FOREIGN KEY ("site") REFERENCES "public"."sites"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "letters_by_time" ON "letters" USING btree ("site","arrived_at");