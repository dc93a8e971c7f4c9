<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Changes\Entity\ChangeList;
use MintDoor\Changes\Repository\RequestedLines;
use MintDoor\Changes\Repository\StoredLists;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Roster\Gate;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Transaction;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;

/**
 * Applies stored change lists. The next lines and what became of them are written in one transaction with the job for
 * those after, so that a worker may be killed at any moment: no line is applied twice, and none is forgotten.
 */
final readonly class ChangeListRunner
{
    /** Lines that go all or nothing. */
    public const CHUNK = 1_000;

    /** A change list of so many lines is applied while one waits. */
    public const AT_ONCE = 200;

    public function __construct(
        private StoredLists $lists,
        private RequestedLines $requested,
        private Gate $gate,
        private ChangeHandler $handler,
        private CallerProvider $callers,
        private Transaction $transaction,
        private MessageBusInterface $bus,
        private PlatformClock $clock,
        private Locks $locks,
    ) {}

    #[AsMessageHandler]
    public function __invoke(ApplyChangeList $job): void
    {
        $this->step($job->changeList, fn() => $this->bus->dispatch($job));
    }

    /**
     * Writes down what is to be applied, and applies it, or hands it to a worker when it is long. Runs inside a
     * transaction, under the locks of its sites.
     *
     * @param list<RequestedItem> $items in order
     */
    public function begin(string $changeList, array $items): void
    {
        $this->requested->write($changeList, $items);
        if (\count($items) <= self::AT_ONCE) {
            $this->chunk($changeList, 1, self::AT_ONCE, static fn() => null);
        } else {
            $this->goOn($changeList);
        }
    }

    /** Has a worker go on with a change list. */
    public function goOn(string $changeList): void
    {
        $this->bus->dispatch(new ApplyChangeList($changeList));
    }

    /**
     * Applies the next lines of a change list, all of them or none.
     *
     * @param \Closure(): mixed $then called in the same transaction when others are left
     *
     * @return bool whether others are left
     */
    public function step(string $changeList, \Closure $then): bool
    {
        $next = $this->requested->next($changeList, self::CHUNK);
        if ([] === $next) {
            return false;
        }
        $sites = array_values(array_unique(array_map(static fn(Row $row): string => $row->id('site_id'), $next)));

        return $this->transaction->job(
            $sites,
            fn(): bool => $this->chunk(
                $changeList,
                $next[0]->int('position'),
                $next[array_key_last($next)]->int('position'),
                $then,
            ),
        );
    }

    /** @param \Closure(): mixed $then */
    private function chunk(string $changeList, int $first, int $last, \Closure $then): bool
    {
        $list = $this->lists->locked($changeList);
        if ('applying' !== $list->state) {
            return false;
        }
        // What another worker has done in the meantime is not pending any more.
        $items = $this->requested->pending($changeList, $first, $last);
        // All of them at once and in order, since they may be in several sites.
        $this->locks->people(array_values(array_map(static fn(RequestedItem $item): string => $item->person, $items)));
        $outcomes = $this->outcomes($list, $items);
        $this->requested->settle($changeList, $items, $outcomes);
        $left = $this->requested->anyLeft($changeList);
        $applied = array_filter(
            $outcomes,
            static fn(LineOutcome $outcome): bool => Verdict::Ready === $outcome->verdict,
        );
        $list->progress(\count($items), \count($applied), $left, $this->clock->instant());
        $this->lists->flush();
        if ($left) {
            $then();
        }

        return $left;
    }

    /**
     * With the rights of whoever applies it.
     *
     * @param array<int, RequestedItem> $items by position
     *
     * @return array<int, LineOutcome> by position
     */
    private function outcomes(ChangeList $list, array $items): array
    {
        try {
            $caller = $this->callers->byId((string) $list->changedBy);
        } catch (UserNotFoundException) {
            return array_map(static fn(): LineOutcome => LineOutcome::refused('no-account-to-apply'), $items);
        }
        $bySite = $outcomes = [];
        foreach ($items as $position => $item) {
            $bySite[$item->site][$position] = $item;
        }
        foreach ($bySite as $site => $some) {
            $outcomes += $this->inSite($list, $site, $some, $caller);
        }

        return $outcomes;
    }

    /**
     * @param array<int, RequestedItem> $items by position
     *
     * @return array<int, LineOutcome> by position
     */
    private function inSite(ChangeList $list, string $site, array $items, Caller $caller): array
    {
        try {
            return array_map(LineOutcome::of(...), $this->applied($list, $site, $items, $caller));
        } catch (Problem $problem) {
            // What is wrong with one of them must not keep the others.
            if (1 === \count($items)) {
                return [array_key_first($items) => LineOutcome::refused('not-possible', $problem->said)];
            }
            $outcomes = [];
            foreach ($items as $position => $item) {
                $outcomes += $this->inSite($list, $site, [$position => $item], $caller);
            }

            return $outcomes;
        }
    }

    /**
     * @param array<int, RequestedItem> $items by position: all are changes, or all take lines back
     *
     * @return array<int, LineAnswer> by position
     */
    private function applied(ChangeList $list, string $site, array $items, Caller $caller): array
    {
        $access = $this->gate->at($site, $caller);
        $undone = array_filter(array_map(static fn(RequestedItem $item): ?string => $item->undoes, $items));
        $lines = array_filter(array_map(static fn(RequestedItem $item): ?LineRequest => $item->line, $items));

        return [] === $lines
            ? $this->handler->undoStored($access, $list->id, $undone)
            : $this->handler->applyStored($access, $list->id, $lines, $list->tell);
    }
}
