<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `DivisionMove`: what moving would do, or did. */
final readonly class DivisionMoveAnswer
{
    /**
     * @param int                    $people     who go
     * @param int                    $sites      that go
     * @param list<string>           $below      names of the divisions that go
     * @param int                    $stay       people who cannot go: the other division does not have their level
     * @param list<DivisionMoveLeft> $left       of them the first by name
     * @param list<DivisionMoveNote> $notes      what becomes otherwise for those who go
     * @param list<array{where: string, code: string, values: \stdClass}> $problems for which it cannot be done
     * @param ?string                $changeList id, of what was done
     */
    public function __construct(
        public int $people,
        public int $sites,
        public array $below,
        public int $stay,
        public array $left,
        public array $notes,
        public array $problems,
        public ?string $changeList = null,
    ) {}
}
