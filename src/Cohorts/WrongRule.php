<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

/** A rule that says nothing that can be followed. */
final class WrongRule extends \RuntimeException
{
    /**
     * @param 'no-kind'|'too-deep'|'too-long'|'no-parts'|'nobody-named'|'levels'|'no-site'|'no-cohort' $reason
     * @param string                                                                                   $pointer to the
     *     part, below the rule: "/parts/1"
     */
    public function __construct(public readonly string $reason, public readonly string $pointer)
    {
        parent::__construct("$reason at $pointer");
    }
}
