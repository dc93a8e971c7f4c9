<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** One cause of a reason. */
final readonly class CauseShown
{
    /**
     * @param object       $values by name, as its sentence takes them
     * @param string       $change the smallest change that would alter it
     * @param bool         $mine   whether whoever looks may make it
     * @param list<string> $givers codes of roles that may
     */
    public function __construct(
        public string $code,
        public object $values,
        public string $change,
        public bool $mine,
        public array $givers,
    ) {}
}
