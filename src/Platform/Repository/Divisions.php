<?php

declare(strict_types=1);

namespace MintDoor\Platform\Repository;

use Doctrine\DBAL\LockMode;
use MintDoor\Core\Platform\Division as DivisionSet;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\Levels;
use MintDoor\Platform\Entity\Division;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;

/**
 * The parts of the organisation.
 *
 * @extends BaseRepository<Division>
 */
final class Divisions extends BaseRepository
{
    protected const ENTITY = Division::class;

    /** @return array<string, Division> by code */
    public function all(): array
    {
        return array_column($this->findAll(), null, 'code');
    }

    /** @return array<string, string> names by code */
    public function names(): array
    {
        return array_column($this->findAll(), 'name', 'code');
    }

    /** @return array<string, string> names by code of those that people and sites may belong to from now on */
    public function offered(): array
    {
        return array_column($this->findBy(['retired' => false]), 'name', 'code');
    }

    public function withCode(string $code): ?Division
    {
        return $this->findOneBy(['code' => $code]);
    }

    /** One that something is about to belong to: whoever retires it meanwhile waits. Runs inside a transaction. */
    public function chosen(string $code): ?Division
    {
        $division = $this->withCode($code);
        if (null !== $division) {
            $this->getEntityManager()->refresh($division, LockMode::PESSIMISTIC_READ);
        }

        return $division;
    }

    public function tree(): DivisionTree
    {
        return new DivisionTree(
            array_map(
                static fn(Division $division): DivisionSet => new DivisionSet(
                    $division->code,
                    $division->name,
                    $division->parent?->code,
                    $division->minors,
                    $division->language,
                    $division->timeZone,
                    null === $division->levelNames ? null : new Levels($division->firstLevel, $division->levelNames),
                    $division->welcome,
                    $division->retired,
                ),
                array_values($this->findAll()),
            ),
        );
    }

    /** Makes the divisions as they are set: those that are new are made, the others changed. */
    public function become(DivisionTree $tree): void
    {
        $there = $this->all();
        foreach ($tree->all() as $set) {
            if (!isset($there[$set->code])) {
                $there[$set->code] = new Division(self::newId(), $set->code, $set->name);
                $this->add($there[$set->code]);
            }
        }
        foreach ($tree->all() as $set) {
            $division = $there[$set->code];
            $division->name = $set->name;
            $division->parent = $there[$set->parent ?? ''] ?? null;
            $division->minors = $set->minors;
            $division->language = $set->language;
            $division->timeZone = $set->timeZone;
            $division->firstLevel = $set->levels->first ?? 1;
            $division->levelNames = $set->levels?->names;
            $division->welcome = $set->welcome;
            $division->retired = $set->retired;
        }
        $this->flush();
        $this->writeOut($tree, $there);
    }

    /** Divisions that are set no more and nothing points to. Those below others go first. */
    public function dropAllBut(DivisionTree $tree): void
    {
        $gone = array_filter(
            $this->all(),
            static fn(Division $division): bool => null === $tree->find($division->code),
        );
        foreach ($gone as $division) {
            $division->parent = null;
        }
        $this->flush();
        foreach ($gone as $division) {
            $this->remove($division);
        }
        $this->flush();
    }

    /**
     * The tree as pairs. By hand: rows of an index, written all at once.
     *
     * @param array<string, Division> $there by code
     */
    private function writeOut(DivisionTree $tree, array $there): void
    {
        $pairs = [];
        foreach ($tree->all() as $set) {
            foreach ($tree->above($set->code) as $above) {
                array_push($pairs, Id::binary($there[$above]->id), Id::binary($there[$set->code]->id));
            }
        }
        $this->execute('DELETE FROM division_within');
        $this->execute(
            'INSERT INTO division_within (above_id, division_id) VALUES '
                .implode(', ', array_fill(0, intdiv(\count($pairs), 2), '(?, ?)')),
            $pairs,
        );
    }
}
