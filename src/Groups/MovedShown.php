<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\JudgedMove;

/** Schema `GroupMove`: a move, and what became of it. */
final readonly class MovedShown
{
    /**
     * @param ?string $from id of a group; null for none
     * @param ?string $to   id of a group; null for none
     * @param bool    $over whether there are more people in it then than fit
     */
    private function __construct(
        public string $person,
        public ?string $from,
        public ?string $to,
        public string $verdict,
        public bool $over,
    ) {}

    public static function of(JudgedMove $judged): self
    {
        $move = $judged->move;

        return new self($move->person, $move->from, $move->to, $judged->verdict->value, $judged->over);
    }
}
