<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Somebody;

/** Something that will happen by itself: member `events` of schema `Forecast`. */
final readonly class ForecastEvent
{
    /**
     * @param string    $at       instant
     * @param string    $kind     a value of `Happens`, or "seat-offered", "offer-lapses", "invitation-lapses",
     *     "site-opens", "site-closes", "door-opens", "door-shuts", "section-begins", "section-ends", "lead-missing",
     *     "term-begins", "term-ends", "cohort-empty"
     * @param ?Somebody $site     id and title; null for terms and cohorts
     * @param ?Somebody $person   whom it happens to
     * @param string    $name     of the door, section, term or cohort
     * @param string    $doorKind of the door
     * @param ?string   $role     code, of the person until then, or from then on where they begin
     * @param bool      $frees    whether a seat is free then
     */
    public function __construct(
        public string $at,
        public string $kind,
        public ?Somebody $site,
        public ?Somebody $person,
        public string $name,
        public string $doorKind,
        public ?string $role,
        public bool $frees,
        public string $timeZone,
    ) {}
}
