<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** What becomes otherwise for those who go to another division. */
final readonly class DivisionMoveNote
{
    /**
     * @param string       $code  "no-longer-minors", "now-minors", "other-rights", "other-outside",
     *                            "administrators-lose", "administrators-gain"
     * @param list<string> $names of roles, or of people
     */
    public function __construct(public string $code, public array $names = []) {}
}
