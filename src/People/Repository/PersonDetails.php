<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use MintDoor\Core\Platform\DetailType;
use MintDoor\Core\Platform\DetailValue;
use MintDoor\People\DetailNarrowing;
use MintDoor\People\Entity\Person;
use MintDoor\People\Entity\PersonDetail;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Sql;
use MintDoor\Shared\Where;

/**
 * What is kept of people under the details that the platform has.
 *
 * @extends BaseRepository<PersonDetail>
 */
final class PersonDetails extends BaseRepository
{
    protected const ENTITY = PersonDetail::class;

    /**
     * By hand: on every page of a roster (`bin/bench`: first roster page).
     *
     * @param list<string> $people ids
     *
     * @return array<string, array<string, string>> by person and code; what is not known is missing
     */
    public function ofPeople(array $people): array
    {
        $details = [];
        $sql = 'SELECT person_id, code, value
            FROM person_detail FORCE INDEX (PRIMARY)
            WHERE person_id IN ('.Sql::ids($people).')';
        foreach ([] === $people ? [] : $this->rows($sql) as $row) {
            $details[$row->id('person_id')][$row->string('code')] = $row->string('value');
        }

        return $details;
    }

    /** @return array<string, string> by code */
    public function of(string $person): array
    {
        return $this->ofPeople([$person])[$person] ?? [];
    }

    /** @param array<string, DetailValue> $values by code; what is nothing is thrown away */
    public function write(string $person, array $values): void
    {
        $kept = array_column($this->findBy(['person' => $person]), null, 'code');
        foreach ($values as $code => $value) {
            $one = $kept[$code] ?? null;
            match (true) {
                null === $value->text => null === $one || $this->getEntityManager()->remove($one),
                null !== $one => $one->write($value),
                default => $this->add(
                    new PersonDetail($this->reference(Person::class, $person), $code, $value->text, $value->amount),
                ),
            };
        }
        $this->flush();
    }

    /**
     * What one has and another lacks becomes theirs too.
     *
     * @return list<string> codes
     */
    public function lend(string $from, string $to): array
    {
        $lent = [];
        $has = $this->of($to);
        foreach ($this->findBy(['person' => $from]) as $one) {
            if (!isset($has[$one->code])) {
                $lent[$one->code] = DetailValue::of($one->value, $one->amount);
            }
        }
        $this->write($to, $lent);

        return array_map(strval(...), array_keys($lent));
    }

    /** @param list<string> $codes */
    public function take(string $person, array $codes): void
    {
        $this->write($person, array_fill_keys($codes, DetailValue::nothing()));
    }

    /** @return array<string, array<string, int>> how many people of the directory have which value, by code */
    public function inUse(): array
    {
        $used = [];
        foreach ($this->rows(<<<'SQL'
            SELECT k.code, k.value, COUNT(*) AS people
            FROM person_detail k
            JOIN person p ON p.id = k.person_id AND p.gone IS NULL
            GROUP BY k.code, k.value
            SQL) as $row) {
            $used[$row->string('code')][$row->string('value')] = $row->int('people');
        }

        return $used;
    }

    /**
     * Whatever is kept under none of some codes is thrown away.
     *
     * @param list<string> $codes
     */
    public function keepOnly(array $codes): void
    {
        $this->execute('DELETE FROM person_detail WHERE code NOT IN (?)', [$codes ?: ['']]);
    }

    /**
     * Narrows people down to those of whom it is so.
     *
     * @param list<DetailNarrowing> $all
     * @param string                $column id of the person
     */
    public static function narrow(Where $where, array $all, string $column): void
    {
        foreach ($all as $n => $each) {
            [$one, $divisions] = [$each->wanted, $each->divisions];
            $is = match (true) {
                DetailType::Choice === $one->detail->type => "k$n.value = :detail$n",
                null !== $one->text => "k$n.value LIKE :detail$n",
                default => "k$n.amount BETWEEN :least$n AND :most$n",
            };
            $known = null === $divisions ? '' : " AND h$n.code IN (:known$n)";
            $where->and(
                "$column IN (
                    SELECT k$n.person_id
                    FROM person_detail k$n
                    JOIN person w$n ON w$n.id = k$n.person_id
                    JOIN division h$n ON h$n.id = w$n.division_id
                    WHERE k$n.code = :code$n AND $is$known
                )",
                [
                    "code$n" => $one->detail->code,
                    ...null === $one->text
                        ? ["least$n" => $one->from ?? -1e300, "most$n" => $one->until ?? 1e300]
                        : [
                            "detail$n" => DetailType::Choice === $one->detail->type
                                ? $one->text
                                : Sql::containing($one->text),
                        ],
                    ...null === $divisions ? [] : ["known$n" => $divisions ?: ['']],
                ],
            );
        }
    }
}
