<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Time\Window;

/** Into which section each of several people goes: the one with the fewest learners that has room. */
final class SectionsFilled
{
    /** @param array<string, int> $learners by section, as they are */
    public function __construct(private array $learners) {}

    /** @return ?string id; null where there is none, or none has room */
    public function emptiest(ChangeContext $one, Window $window): ?string
    {
        $found = null;
        foreach ($one->site->sections as $id => $section) {
            $free = $one->sections->free($section, $window->from, max($window->until, $window->from + 1));
            if ($section->isOffered($one->now) && (null === $free || $free > 0)) {
                $found = null === $found || $this->of((string) $id) < $this->of($found) ? (string) $id : $found;
            }
        }

        return $found;
    }

    public function put(string $section): void
    {
        $this->learners[$section] = $this->of($section) + 1;
    }

    private function of(string $section): int
    {
        return $this->learners[$section] ?? 0;
    }
}
