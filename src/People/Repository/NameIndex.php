<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\NameKeys;
use MintDoor\People\Facts;
use MintDoor\Shared\BulkWriter;

/**
 * Keeps the keys by which pasted lines find people: pairs of their names, the part of their address before the @, and
 * every name with a letter left out.
 */
final class NameIndex
{
    private readonly BulkWriter $rows;

    /** @var array<string, true> names whose slips are written */
    private array $names = [];

    public function __construct(Connection $db, ?BulkWriter $rows = null)
    {
        $this->rows = $rows ?? new BulkWriter($db);
    }

    /**
     * @param string $person   id
     * @param string $division id
     */
    public function add(string $person, string $division, Facts $facts): void
    {
        [$g, $f, $p] = array_map(
            Folding::tokens(...),
            [$facts->given, $facts->family, (string) $facts->preferred],
        );
        $words = static fn(string $side): array => array_map(
            Folding::tokens(...),
            array_column($facts->further, $side),
        );
        [$given, $family] = [$words('given'), $words('family')];
        $codes = NameKeys::ofPerson([$g, $p, ...$given], [$f, ...$family]);
        if (null !== $facts->email && 1 === preg_match('/^[\x21-\x7e]+@/', $facts->email)) {
            $codes[] = self::local($facts->email);
        }
        foreach (array_unique($codes) as $code) {
            $this->rows->add(
                'person_key',
                ['code' => $code, 'division_id' => BulkWriter::id($division), 'person_id' => BulkWriter::id($person)],
                ignore: true,
            );
        }
        foreach ([...$g, ...$f, ...$p, ...array_merge([], ...$given, ...$family)] as $name) {
            if (!isset($this->names[$name])) {
                $this->names[$name] = true;
                foreach (NameKeys::slips($name) as $slip) {
                    $this->rows->add('name_slip', ['slip' => $slip, 'name' => $name], ignore: true);
                }
            }
        }
    }

    public function write(): void
    {
        $this->rows->flush();
    }

    /** The key of an address or of what stands before its @. */
    public static function local(string $address): string
    {
        return substr('@'.mb_strtolower(explode('@', $address)[0]), 0, 64);
    }
}
