<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

/** Something that is wrong with rules as somebody wants them, and where. */
final readonly class RuleProblem
{
    /**
     * @param string                    $where  of which part, such as `roles/co-tutor/givenBy`
     * @param string                    $code   one of those in `RuleLaws`
     * @param array<string, string|int> $values
     */
    public function __construct(public string $where, public string $code, public array $values = []) {}
}
