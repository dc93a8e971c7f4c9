<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

/** What came of the lines of one kind. */
final class Count
{
    public int $lines = 0;

    /** Taken for somebody. */
    public int $taken = 0;

    /** Taken for somebody whom the line does not mean. */
    public int $wrong = 0;

    public int $persons = 0;

    public int $found = 0;

    public int $repeats = 0;

    public int $repeated = 0;

    public int $nobodies = 0;

    public int $passed = 0;

    /** Asked about a line that somebody is meant by. */
    public int $asked = 0;

    /** With that one among those offered. */
    public int $offered = 0;

    /** Labelled so that asking, or taking the right one, is right. */
    public int $careful = 0;

    public int $held = 0;

    /** @var list<string> lines that were taken wrongly, and that were missed */
    public array $said = [];

    public function add(self $other): void
    {
        foreach (array_keys(get_object_vars($this)) as $each) {
            if ('said' !== $each) {
                $this->{$each} += $other->{$each};
            }
        }
    }

    /** @return array<string, int> without the lines */
    public function figures(): array
    {
        $figures = get_object_vars($this);
        unset($figures['said']);

        return $figures;
    }

    /** @param array<string, int> $figures */
    public static function of(array $figures): self
    {
        $count = new self();
        foreach ($figures as $name => $figure) {
            $count->{$name} = $figure;
        }

        return $count;
    }
}
