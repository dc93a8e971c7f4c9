<?php

declare(strict_types=1);

namespace MintDoor\Core\Sites;

use MintDoor\Core\Time\Time;

/**
 * What the rules need to know of a site. Its state is a function of time: draft before `opensAt`, closed from
 * `closesAt` on.
 */
final readonly class Site
{
    public const LEADS_UNLESS_SET = 10;

    /**
     * @param ?int   $seats    how many learners fit, null for no limit
     * @param int    $termEnds when the site's term is over
     * @param string $kind     code of a `SiteKind`
     * @param array<string, Section> $sections by id, in their order, retired ones too
     * @param bool   $apart    whether its sections do not see one another (`Sight`)
     * @param bool   $several  whether learners may be in several sections
     */
    public function __construct(
        public string $id,
        public string $division,
        public ?LevelBand $levels = null,
        public ?int $seats = null,
        public int $leadLimit = self::LEADS_UNLESS_SET,
        public int $opensAt = Time::FOREVER,
        public int $closesAt = Time::FOREVER,
        public int $termEnds = Time::FOREVER,
        public string $kind = '',
        public array $sections = [],
        public bool $apart = false,
        public bool $several = false,
    ) {}

    public function stateAt(int $instant): SiteState
    {
        return match (true) {
            $instant >= $this->closesAt => SiteState::Closed,
            $instant >= $this->opensAt => SiteState::Open,
            default => SiteState::Draft,
        };
    }
}
