<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand(
    'platform:plan',
    'Says what a file of settings would change: exits with 0 for nothing, 1 when it cannot be, 2 for something',
)]
final class PlanPlatformCommand extends PlatformFileCommand
{
    protected function with(SettingsWanted $wanted, InputInterface $input, OutputInterface $output): int
    {
        $plan = $this->file->plan($wanted);
        $this->show($plan, $output);

        return match (true) {
            [] !== $plan->problems() => self::WRONG,
            $plan->changesNothing() => self::SAME,
            default => self::DIFFERS,
        };
    }
}
