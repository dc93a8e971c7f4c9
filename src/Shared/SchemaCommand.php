<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\Connection;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Compares the tables of the database with those the application was made for (`config/schema.sql`). */
#[AsCommand('schema:verify', 'Says which tables are not as the application expects them')]
final class SchemaCommand extends Command
{
    /** Tables of the migrations themselves. */
    private const OTHERS = ['doctrine_migration_versions', 'migration_step'];

    public function __construct(
        private readonly Connection $db,
        #[Autowire('%kernel.project_dir%/config/schema.sql')] private readonly string $file,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('write', null, InputOption::VALUE_NONE, 'Write down how they are, after a new migration');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $tables = $this->tables();
        if (true === $input->getOption('write')) {
            file_put_contents($this->file, implode("\n\n", $tables)."\n");

            return Command::SUCCESS;
        }
        $expected = self::expected((string) file_get_contents($this->file));
        $wrong = [];
        foreach (array_keys($expected + $tables) as $name) {
            if (($expected[$name] ?? '') !== ($tables[$name] ?? '')) {
                $wrong[] = match (true) {
                    !isset($tables[$name]) => "$name is missing",
                    !isset($expected[$name]) => "$name is not known",
                    default => "$name differs: ".self::difference($expected[$name], $tables[$name]),
                };
            }
        }
        foreach ($wrong as $each) {
            $output->writeln($each);
        }

        return [] === $wrong ? Command::SUCCESS : Command::FAILURE;
    }

    /** @return array<string, string> how each is made, by name */
    private function tables(): array
    {
        $tables = [];
        foreach ($this->db->fetchFirstColumn("SHOW FULL TABLES WHERE Table_type = 'BASE TABLE'") as $name) {
            $name = \is_string($name) ? $name : '';
            if (\in_array($name, self::OTHERS, true)) {
                continue;
            }
            $made = $this->db->fetchNumeric('SHOW CREATE TABLE `'.$name.'`');
            $made = \is_string($made[1] ?? null) ? $made[1] : '';
            $tables[$name] = (string) preg_replace('/ AUTO_INCREMENT=\d+/', '', $made).';';
        }
        ksort($tables);

        return $tables;
    }

    /** @return array<string, string> by name */
    private static function expected(string $written): array
    {
        $tables = [];
        foreach (preg_split('/(?<=;)\n\n/', trim($written)) ?: [] as $made) {
            if (1 === preg_match('/^CREATE TABLE `(\w+)`/', $made, $found)) {
                $tables[$found[1]] = $made;
            }
        }

        return $tables;
    }

    private static function difference(string $expected, string $is): string
    {
        $bare = static fn(string $line): string => trim($line, " ,\n");
        $lines = static fn(string $made): array => array_map($bare, explode("\n", $made));
        $missing = array_diff($lines($expected), $lines($is));
        $more = array_diff($lines($is), $lines($expected));

        return implode('; ', [
            ...array_map(static fn(string $line): string => "without $line", $missing),
            ...array_map(static fn(string $line): string => "with $line", $more),
        ]);
    }
}
