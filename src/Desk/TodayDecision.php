<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Somebody;

/** Schema `TodayDecision`: one thing that waits for somebody. */
final readonly class TodayDecision
{
    /**
     * @param string    $id       of the place in the line, the invitation, the message, the change list or the site
     * @param ?Somebody $site     null for a list over several
     * @param ?Somebody $about    the door, or with an empty id the title of a list or the address
     * @param ?string   $at       instant at which it began, or from which there is no lead
     * @param ?string   $until    instant until which it can be settled
     * @param ?string   $words    why they ask, the address, the subject, or the kind of the list
     * @param string    $timeZone of the site
     */
    public function __construct(
        public string $id,
        public ?Somebody $site,
        public ?Somebody $person,
        public ?Somebody $about,
        public ?string $at,
        public ?string $until,
        public ?string $words,
        public string $timeZone,
    ) {}

    /** @param string $id as the row does not say it in one way for all kinds */
    public static function of(Row $row, string $id): self
    {
        $about = $row->stringOrNull('about_name');

        return new self(
            $id,
            self::named($row, 'site_id', 'site_title'),
            self::named($row, 'person_id', 'person_name'),
            null === $about ? null : new Somebody($row->idOrNull('about_id') ?? '', $about),
            Instant::toJson($row->instant('at')),
            self::instant($row->instantOrNull('until_at')),
            $row->stringOrNull('words'),
            $row->stringOrNull('time_zone') ?? 'UTC',
        );
    }

    public static function named(Row $row, string $id, string $name): ?Somebody
    {
        $found = $row->idOrNull($id);

        return null === $found ? null : new Somebody($found, $row->string($name));
    }

    public static function instant(?int $instant): ?string
    {
        return null === $instant ? null : Instant::toJson($instant);
    }
}
