<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Core\People\Reach;
use MintDoor\People\Entity\Label;
use MintDoor\People\Entity\Person;
use MintDoor\People\Entity\PersonLabel;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * Labels: short marks on people. One name is one label, however it is capitalised or accented.
 *
 * @extends BaseRepository<Label>
 */
final class Labels extends BaseRepository
{
    protected const ENTITY = Label::class;

    public const LONGEST = 40;

    public function __construct(ManagerRegistry $managers, private readonly FactChanges $changes)
    {
        parent::__construct($managers);
    }

    /**
     * By hand: on every page of a roster (`bin/bench`: first roster page).
     *
     * @param list<string> $people ids
     *
     * @return array<string, list<string>> names by person; who has none is missing
     */
    public function ofPeople(array $people): array
    {
        $labels = [];
        $sql = 'SELECT pl.person_id, l.name
            FROM person_label pl
            JOIN label l ON l.id = pl.label_id
            WHERE pl.person_id IN ('.Sql::ids($people).')
            ORDER BY l.name';
        foreach ([] === $people ? [] : $this->rows($sql) as $row) {
            $labels[$row->id('person_id')][] = $row->string('name');
        }

        return $labels;
    }

    /** @return list<string> names */
    public function ofPerson(string $person): array
    {
        $on = PersonLabel::class;
        $dql = "SELECT l.name FROM $on pl JOIN pl.label l WHERE pl.person = :person ORDER BY l.name";

        /** @var list<string> */
        return $this->dql($dql, ['person' => $person])->getSingleColumnResult();
    }

    /**
     * Labels that are on somebody of one's reach, or of a site, and contain what was typed. By hand: asked at every
     * key.
     *
     * @return list<array{name: string, people: int}> those that begin with it first, then the most used
     */
    public function like(string $typed, int $most, Reach $reach, string $siteId): array
    {
        $within = $reach->everything
            ? '1'
            : '(p.division_id IN (SELECT id FROM division WHERE code IN (:divisions))
                OR EXISTS (SELECT 1 FROM enrollment e WHERE e.site_id = :site AND e.person_id = p.id))';
        $rows = $this->rows(
            "SELECT l.name, COUNT(*) AS people
             FROM label l
             JOIN person_label pl ON pl.label_id = l.id
             JOIN person p ON p.id = pl.person_id
             WHERE l.name LIKE :containing AND $within
             GROUP BY l.id, l.name
             ORDER BY l.name LIKE :beginning DESC, people DESC, l.name
             LIMIT $most",
            [
                'containing' => Sql::containing($typed),
                'beginning' => Sql::beginning($typed),
                ...$reach->everything
                    ? []
                    : ['divisions' => $reach->divisions ?: [''], 'site' => Id::binary($siteId)],
            ],
        );

        return array_map(
            static fn(Row $row): array => ['name' => $row->string('name'), 'people' => $row->int('people')],
            $rows,
        );
    }

    /**
     * @param list<string> $people ids
     *
     * @return list<string> ids of those who bear the label
     */
    public function bearers(string $label, array $people): array
    {
        $on = PersonLabel::class;
        $query = $this->dql(
            "SELECT p.id FROM $on pl JOIN pl.person p JOIN pl.label l WHERE l.name = :name AND p.id IN (:people)",
            ['people' => $people],
            ['name' => $label],
        );

        return array_column([] === $people ? [] : $query->getArrayResult(), 'id');
    }

    /**
     * Puts a label on people, or takes it off them. By hand: they may be thousands.
     *
     * @param non-empty-list<string> $people ids of those who do not bear it yet, or do
     */
    public function set(string $name, array $people, bool $on, string $by, int $now): void
    {
        $label = $this->findOneBy(['name' => $name]);
        $this->changes->note($people, FactChanges::LABELS);
        if (!$on) {
            null === $label
                || $this->execute('DELETE FROM person_label WHERE label_id = ? AND person_id IN (?)', [
                    Id::binary($label->id),
                    self::binary($people),
                ]);

            return;
        }
        if (null === $label) {
            $label = new Label(self::newId(), $name, $this->reference(Person::class, $by));
            $this->add($label);
            $this->flush();
        }
        $rows = $this->bulk();
        foreach ($people as $person) {
            $rows->add('person_label', [
                'person_id' => BulkWriter::id($person),
                'label_id' => BulkWriter::id($label->id),
                'put_by' => BulkWriter::id($by),
                'put_at' => Instant::toSql($now),
            ]);
        }
        $rows->flush();
    }

    /** @return list<string> ids of the labels somebody bears */
    public function idsOf(string $person): array
    {
        $on = PersonLabel::class;
        $query = $this->dql("SELECT l.id FROM $on pl JOIN pl.label l WHERE pl.person = :person", ['person' => $person]);

        return array_column($query->getArrayResult(), 'id');
    }

    /** @param list<string> $labels ids */
    public function put(string $person, array $labels, string $by, int $now): void
    {
        $whose = $this->reference(Person::class, $person);
        $this->changes->note([$person], FactChanges::LABELS);
        foreach (array_diff($labels, $this->idsOf($person)) as $label) {
            $this->getEntityManager()->persist(
                new PersonLabel($whose, $this->reference(Label::class, $label), $now, $by),
            );
        }
        $this->flush();
    }

    /** @param list<string> $labels ids */
    public function take(string $person, array $labels): void
    {
        $on = PersonLabel::class;
        [] === $labels || $this->changes->note([$person], FactChanges::LABELS);
        $dql = "DELETE FROM $on pl WHERE pl.person = :person AND pl.label IN (:labels)";
        [] === $labels || $this->dql($dql, ['person' => $person, 'labels' => $labels])->execute();
    }

    /** Takes every label off somebody. */
    public function takeAll(string $person): void
    {
        $this->take($person, $this->idsOf($person));
    }
}
