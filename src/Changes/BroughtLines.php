<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Changes\Repository\ChangeStore;
use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Changes\ChangeListComputer;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Row;

/** Lines of people whom doors bring and take out by themselves. Runs inside a transaction, under the site's lock. */
final readonly class BroughtLines
{
    public function __construct(
        private ChangeListComputer $list,
        private ChangeContextLoader $contexts,
        private ChangeStore $store,
        private LineAnswers $answers,
    ) {}

    /**
     * Those who may be changed: locked, as they are.
     *
     * @param list<string> $people ids
     *
     * @return array<string, Row> by id
     */
    public function people(array $people): array
    {
        return [] === $people ? [] : $this->contexts->people($people);
    }

    /**
     * What would become of people, one after the other. Changes nothing.
     *
     * @param array<string, Row>                                       $people by id
     * @param \Closure(ChangeContext, string): array{string, ComputedChange} $compute what the history says they did,
     *                                                                          and the change of one, by id
     *
     * @return array<string, ComputedLine> by person
     */
    public function would(SiteAccess $access, array $people, \Closure $compute): array
    {
        if ([] === $people) {
            return [];
        }
        $ids = array_map(strval(...), array_keys($people));
        $verbs = [];
        $lines = $this->list->inTurn(
            $this->contexts->of($access, $people),
            $ids,
            static function (ChangeContext $one, int|string $key) use ($compute, $ids, &$verbs): ComputedChange {
                [$verbs[$key], $line] = $compute($one, $ids[(int) $key] ?? '');

                return $line;
            },
        );
        $computed = [];
        foreach ($ids as $key => $id) {
            $computed[$id] = new ComputedLine($people[$id], $verbs[$key], $lines[$key]);
        }

        return $computed;
    }

    /**
     * Carries out those that are ready.
     *
     * @param array<string, ComputedLine> $lines  by person
     * @param bool                        $listed whether they are found among change lists
     *
     * @return ?string id of the change list; null where none was ready
     */
    public function store(SiteAccess $access, array $lines, bool $listed = false): ?string
    {
        $ready = array_values(array_filter($lines, static fn(ComputedLine $line): bool => $line->isReady()));

        return [] === $ready
            ? null
            : $this->store->store($access, $ready, $this->answers->plain($ready), listed: $listed)->changeList;
    }
}
