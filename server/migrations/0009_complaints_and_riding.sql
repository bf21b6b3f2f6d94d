ALTER TABLE "complaints" DROP CONSTRAINT "complaints_side";--> statement-breakpoint
ALTER TABLE "complaints" DROP CONSTRAINT "complaints_severity";--> statement-breakpoint
ALTER TABLE "complaints" ALTER COLUMN "region" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "complaints" ALTER COLUMN "side" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "complaints" ALTER COLUMN "kind" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "complaints" ALTER COLUMN "severity" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "complaints" ADD COLUMN "places" jsonb;--> statement-breakpoint
-- A complaint sat at one place; from here on it may sit at several.
UPDATE "complaints" SET "places" = jsonb_build_array(jsonb_build_object('region', "region", 'side', "side"));--> statement-breakpoint
ALTER TABLE "complaints" ALTER COLUMN "places" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "complaints" ADD COLUMN "control" text;--> statement-breakpoint
ALTER TABLE "complaints" ADD COLUMN "since" text;--> statement-breakpoint
ALTER TABLE "complaints" ADD COLUMN "changed" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "complaints" ADD COLUMN "tried" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "studios" ADD COLUMN "learns" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "riding" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "outcome" text;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "learned" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "complaints" ADD CONSTRAINT "complaints_places" CHECK (jsonb_typeof("complaints"."places") = 'array' and (jsonb_array_length("complaints"."places") > 0 or "complaints"."control" is not null));--> statement-breakpoint
ALTER TABLE "complaints" ADD CONSTRAINT "complaints_severity" CHECK ("complaints"."severity" is null or "complaints"."severity" between 0 and 10);--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_outcome" CHECK ("visits"."outcome" in ('solved', 'better', 'same', 'worse', 'referred'));