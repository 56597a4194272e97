export { panelSchedule, type PanelSchedule, scheduleColumns } from './panel-schedule.js';
