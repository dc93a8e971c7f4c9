<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\ChangeHandler;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Roles\Permission;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\History\Repository\HistoryEntries;
use MintDoor\Items\ItemsHandler;
use MintDoor\People\Repository\Labels;
use MintDoor\Roster\SectionsHandler;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Weeks\HoursHandler;

/** Takes back what an entry of a site's history says was done. Runs inside a transaction, under the site's lock. */
final readonly class UndoEntry
{
    public function __construct(
        private HistoryEntries $entries,
        private ChangeHandler $changeLists,
        private SiteHandler $sites,
        private SectionsHandler $sections,
        private HoursHandler $hours,
        private ItemsHandler $items,
        private Labels $labels,
        private History $history,
    ) {}

    /**
     * @throws Problem of type `ChangedSince`, `UndoneAlready`, `NotAllowed` or `NotFound`
     */
    public function entry(SiteAccess $access, int $sequence): UndoneEntry
    {
        $entry = $this->entries->locked($access->site->id, $sequence) ?? throw Problem::notFound('entry');
        if (null !== $entry->lineId) {
            $needs = Verb::tryFrom($entry->code)?->needs() ?? Permission::LetIn;
            $access->require($needs, 'desk.not-change-site');
            $undone = $this->changeLists->undo($access, [$entry->lineId])->lines[0];

            return new UndoneEntry($undone->stored?->entry, $undone);
        }
        if (null !== $entry->undoneBy) {
            throw new Problem(ProblemType::UndoneAlready, 'shared.already-undone');
        }
        if (!isset($entry->data['before'])) {
            throw Problem::notAllowed('desk.entry-no-change-could');
        }
        if (isset($entry->data['label'])) {
            return new UndoneEntry($this->label($access, $entry->code, $entry->data, $sequence), null);
        }
        if (SectionsHandler::CHANGED === $entry->code) {
            SectionsHandler::assertMay($access);

            return new UndoneEntry($this->sections->undo($access, $entry->data, $sequence), null);
        }
        if (HoursHandler::CHANGED === $entry->code) {
            SectionsHandler::assertMay($access);

            return new UndoneEntry($this->hours->undo($access, $entry->data, $sequence), null);
        }
        if (ItemsHandler::SHOWN === $entry->code) {
            ItemsHandler::assertMay($access);

            return new UndoneEntry($this->items->undo($access, $entry->data, $sequence), null);
        }
        $access->require(Permission::RunSite, 'desk.only-lead-site-administrator');

        return new UndoneEntry($this->sites->undo($access, $entry->code, $entry->data, $sequence), null);
    }

    /**
     * Takes a label off again, or puts it back, from those for whom nobody did so since.
     *
     * @param array<string, mixed> $data
     */
    private function label(SiteAccess $access, string $code, array $data, int $sequence): int
    {
        $access->require(Permission::LabelPeople, 'desk.not-put-labels-people');
        $label = \is_string($data['label']) ? $data['label'] : '';
        $people = array_values(array_filter((array) ($data['people'] ?? []), is_string(...)));
        $after = (array) ($data['after'] ?? []);
        $on = true === ($after['on'] ?? false);
        $bearers = $this->labels->bearers($label, $people);
        $still = array_values($on ? array_intersect($people, $bearers) : array_diff($people, $bearers));
        if ([] === $still) {
            throw new Problem(ProblemType::ChangedSince, 'desk.label-changed-again-all');
        }
        $this->labels->set($label, $still, !$on, $access->caller->id, $access->now);
        $entry = $this->history->write(
            $access->site->id,
            $access->caller,
            new Happening(
                'undo',
                ['of' => $code, 'before' => $after, 'after' => ['on' => !$on], 'label' => $label, 'people' => $still],
                1 === \count($still) ? $still[0] : null,
            ),
        );
        $this->history->undone($access->site->id, $sequence, $entry);

        return $entry;
    }
}
