<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/**
 * Those who come into question for some line, to be looked up.
 *
 * @internal
 */
final readonly class KnownPeople
{
    /** @var array<string, list<int>> */
    private array $identifiers;

    /** @var array<string, list<int>> */
    private array $locals;

    /** @var array<string, list<int>> */
    private array $keys;

    /** @var array<string, int> */
    private array $ids;

    /** @param list<Known> $people */
    public function __construct(public array $people)
    {
        $identifiers = $locals = $keys = $ids = [];
        foreach ($people as $at => $known) {
            $ids[$known->person->id] = $at;
            foreach ($known->identifiers as $identifier) {
                $identifiers[$identifier][] = $at;
                if (str_contains($identifier, '@')) {
                    $locals[strstr($identifier, '@', true) ?: ''][] = $at;
                }
            }
            foreach ($known->keys() as $key) {
                $keys[$key][] = $at;
            }
        }
        [$this->identifiers, $this->locals, $this->keys, $this->ids] = [$identifiers, $locals, $keys, $ids];
    }

    /** @return list<int> */
    public function byIdentifier(string $identifier): array
    {
        return $this->identifiers[$identifier] ?? [];
    }

    /** @return list<int> */
    public function byLocalPart(string $local): array
    {
        return $this->locals[$local] ?? [];
    }

    /** @return list<int> */
    public function byKey(string $pair): array
    {
        return $this->keys[$pair] ?? [];
    }

    public function byId(string $person): ?int
    {
        return $this->ids[$person] ?? null;
    }
}
