<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use MintDoor\Changes\ChangeHandler;
use MintDoor\Core\Roles\Permission;
use MintDoor\History\History;
use MintDoor\People\Labels;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;

/** Takes back what an entry of a site's history says was done. Runs inside a transaction, under the site's lock. */
final readonly class UndoEntry
{
    public function __construct(
        private Connection $db,
        private ChangeHandler $changeLists,
        private SiteHandler $sites,
        private Labels $labels,
        private History $history,
    ) {}

    /**
     * @return array<string, mixed> schema `Undone`
     *
     * @throws Problem of type `ChangedSince`, `UndoneAlready`, `NotAllowed` or `NotFound`
     */
    public function entry(EntityManagerInterface $entities, SiteAccess $access, int $sequence): array
    {
        $found = $this->db->fetchAssociative(
            'SELECT code, data, line_id, undone_by FROM history_entry WHERE site_id = ? AND sequence = ? FOR UPDATE',
            [Id::binary($access->site->id), $sequence],
        );
        $row = new Row(false === $found ? throw Problem::notFound('This entry') : $found);
        $line = $row->idOrNull('line_id');
        if (null !== $line) {
            $access->require(Permission::LetIn, 'You may not change who is in this site.');
            $undone = $this->changeLists->undo($access, [$line], true)['lines'][0];

            return ['entry' => $undone['entry'], 'line' => $undone];
        }
        if (null !== $row->intOrNull('undone_by')) {
            throw new Problem(ProblemType::UndoneAlready, 'This was already undone.');
        }
        if (!isset($row->json('data')['before'])) {
            throw Problem::notAllowed('This entry is no change that could be undone.');
        }
        /** @var array<string, mixed> $data */
        $data = $row->json('data');
        if (isset($data['label'])) {
            return ['entry' => $this->label($access, $row->string('code'), $data, $sequence), 'line' => null];
        }
        $access->require(Permission::RunSite, 'Only a lead of this site or an administrator may do this.');

        return [
            'entry' => $this->sites->undo($entities, $access, $row->string('code'), $data, $sequence),
            'line' => null,
        ];
    }

    /**
     * Takes a label off again, or puts it back, from those for whom nobody did so since.
     *
     * @param array<string, mixed> $data
     */
    private function label(SiteAccess $access, string $code, array $data, int $sequence): int
    {
        $access->require(Permission::LabelPeople, 'You may not put labels on people here.');
        $label = \is_string($data['label']) ? $data['label'] : '';
        $people = array_values(array_filter((array) ($data['people'] ?? []), is_string(...)));
        $after = (array) ($data['after'] ?? []);
        $on = true === ($after['on'] ?? false);
        $bearers = $this->labels->bearers($label, $people);
        $still = array_values($on ? array_intersect($people, $bearers) : array_diff($people, $bearers));
        if ([] === $still) {
            throw new Problem(ProblemType::ChangedSince, 'The label was changed again on all of them after this.');
        }
        $this->labels->set($label, $still, !$on, $access->caller->id, $access->now);
        $entry = $this->history->write($access->site->id, $access->caller, [
            [
                'undo',
                ['of' => $code, 'before' => $after, 'after' => ['on' => !$on], 'label' => $label, 'people' => $still],
                1 === \count($still) ? $still[0] : null,
            ],
        ]);
        $this->history->undone($access->site->id, $sequence, $entry);

        return $entry;
    }
}
