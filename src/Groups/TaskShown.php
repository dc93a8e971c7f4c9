<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Groups\Entity\GroupTask;
use MintDoor\Shared\Instant;

/** Schema `GroupTask`: groups that are computed, or were. */
final readonly class TaskShown
{
    /**
     * @param int    $version which time it is computed
     * @param ?string $askedAt instant
     * @param list<array{person: string, group: string}> $places what came of it
     * @param int    $moved   how many would leave a group that they were in
     */
    private function __construct(
        public string $state,
        public int $version,
        public string $seed,
        public ?string $askedAt,
        public int $done,
        public int $steps,
        public bool $stops,
        public array $places,
        public int $moved,
        public ?GivenUp $givenUp,
    ) {}

    public static function of(GroupTask $task): self
    {
        $found = null === $task->outcome ? null : ComputedGroups::read($task->outcome);
        $places = [];
        foreach ($found->places ?? [] as $person => $group) {
            $places[] = ['person' => (string) $person, 'group' => $group];
        }

        return new self(
            $task->state,
            $task->version,
            $task->seed,
            Instant::toJson($task->askedAt),
            $task->done,
            $task->steps,
            $task->stops,
            $places,
            $found->moved ?? 0,
            $found?->givenUp,
        );
    }
}
