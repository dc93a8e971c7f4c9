<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Shared\Somebody;

/** Schema `OwnWishes`: what somebody is asked for in one site, what they said, and what came of it. */
final readonly class OwnWishes
{
    /**
     * @param string              $plan     id
     * @param list<SectionWished> $sections
     * @param list<string>        $wishes   ids of sections, the first wish first
     * @param ?string             $saidAt   instant
     * @param bool                $asks     whether they may be said now
     * @param ?string             $closesAt instant
     * @param ?OwnPlace           $place    once everybody was put where the plan says
     */
    public function __construct(
        public string $plan,
        public Somebody $site,
        public string $timeZone,
        public array $sections,
        public array $wishes,
        public ?string $saidAt,
        public bool $asks,
        public ?string $closesAt,
        public ?OwnPlace $place,
    ) {}
}
