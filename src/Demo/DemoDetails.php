<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use MintDoor\Core\Platform\Detail;
use MintDoor\Core\Platform\DetailType;
use MintDoor\Core\Platform\DetailValue;

/** What the demo keeps of its people under the details of its settings: made up, and the same for the same person. */
final readonly class DemoDetails
{
    private const DAY = 86_400;

    /** Of a hundred people, of how many something is kept. */
    private const OF = 85;

    /** @param list<Detail> $details */
    public function __construct(private array $details, private int $now) {}

    /** @return array<string, DetailValue> by code */
    public function of(string $person, string $kind): array
    {
        $values = [];
        foreach ($this->details as $detail) {
            $chance = crc32($detail->code.$person);
            if ($detail->isOf($kind) && $chance % 100 < self::OF) {
                $values[$detail->code] = $detail->read($this->made($detail, intdiv($chance, 100)));
            }
        }

        return $values;
    }

    /** Words are for people to write. */
    private function made(Detail $detail, int $chance): string
    {
        return match ($detail->type) {
            DetailType::Choice => $detail->choices[$chance % \count($detail->choices)],
            DetailType::Date => gmdate('Y-m-d', $this->now + self::DAY * (30 + $chance % 900)),
            DetailType::Number => (string) (5 + $chance % 31 / 2),
            DetailType::Text => '',
        };
    }
}
