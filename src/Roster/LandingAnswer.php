<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Sites\SiteFacts;

/** Schema `Landing`: what somebody meets who comes to a site. */
final readonly class LandingAnswer
{
    /**
     * @param ?string                              $role     code
     * @param list<string>                         $leads    names
     * @param list<array{name: string, meets: string, leads: list<string>}> $sections those they are in
     * @param list<string>                         $may      permissions
     * @param bool                                 $mayLeave whether a key brought them, so that they may go again
     */
    public function __construct(
        public SiteFacts $site,
        public ReasonShown $reason,
        public ?string $role,
        public array $leads,
        public array $sections,
        public array $may,
        public bool $mayLeave,
    ) {}
}
