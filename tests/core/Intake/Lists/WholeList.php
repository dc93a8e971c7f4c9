<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

/** A list as it was pasted. */
final readonly class WholeList
{
    /**
     * @param array{int, int} $levels the site is for
     * @param list<string>    $kinds  of people that are wanted
     * @param list<Line>      $lines  none empty, in order
     */
    public function __construct(
        public string $division,
        public array $levels,
        public array $kinds,
        public array $lines,
    ) {}

    public function text(): string
    {
        return implode("\n", array_column($this->lines, 'text'));
    }
}
