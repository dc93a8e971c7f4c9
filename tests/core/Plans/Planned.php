<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Plans;

use MintDoor\Core\Plans\Lot;
use MintDoor\Core\Plans\Plan;
use MintDoor\Core\Plans\Planner;
use MintDoor\Core\Plans\Question;

/** What is planned where a question is asked. */
final class Planned
{
    private function __construct() {}

    public static function of(Question $question): Plan
    {
        return Planner::plan(
            $question->people,
            $question->sections,
            $question->stay,
            $question->there,
            $question->conditions,
            new Lot('seed'),
        );
    }
}
