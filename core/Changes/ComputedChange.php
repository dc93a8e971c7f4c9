<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\Timeline;

/** One line of a change list: before → after, the verdict and why, and what storing it would take. */
final readonly class ComputedChange
{
    /**
     * @param list<Note>   $reasons  why the verdict is not "ready"
     * @param list<Note>   $cautions what to know before
     * @param list<Effect> $effects  empty unless the verdict is "ready"
     * @param Timeline     $was      the timeline of before
     */
    public function __construct(
        public Verdict $verdict,
        public ?Segment $before,
        public ?Segment $after,
        public array $reasons,
        public array $cautions,
        public array $effects,
        public Enrollment $result,
        public Timeline $timeline,
        public Timeline $was,
    ) {}
}
