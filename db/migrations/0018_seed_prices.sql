ALTER TABLE `seed_lots` ADD `price` real;--> statement-breakpoint
ALTER TABLE `seed_lots` ADD `packed` real;