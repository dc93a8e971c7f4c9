<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Shared\Somebody;

/** Schema `CohortLink`: a connection of a cohort with a site. */
final readonly class LinkShown
{
    /**
     * @param Somebody                   $cohort  id and name
     * @param 'list'|'rule'|'shared'     $kind    of the cohort
     * @param Somebody                   $site    id and title
     * @param string                     $role    code
     * @param ?Somebody                  $section id and name; null for none
     * @param bool                       $spread  whether each goes into the emptiest section instead
     * @param ?string                    $from    the first day, in the site's zone; null for at once
     * @param 'at-once'|'days'|'term'    $leaves  when whoever no longer belongs loses access
     * @param int                        $days    after which they do, for "days"
     * @param int                        $people  how many belong to the cohort now
     * @param int                        $here    how many have access by the connection
     * @param ?string                    $heldAt  instant since which many who would go wait for a yes
     * @param int                        $held    how many those are
     * @param list<LinkWaiting>          $waiting why some who belong are not here yet
     * @param ?Somebody                  $keeper  who stands behind it
     * @param bool                       $backed  whether they still may give its role
     */
    public function __construct(
        public string $id,
        public Somebody $cohort,
        public string $kind,
        public Somebody $site,
        public string $role,
        public ?Somebody $section,
        public bool $spread,
        public ?string $from,
        public string $leaves,
        public int $days,
        public int $people,
        public int $here,
        public ?string $heldAt,
        public int $held,
        public array $waiting,
        public ?Somebody $keeper,
        public bool $backed,
        public int $version,
    ) {}
}
